/**
 * Pictures of a head of hair, drawn without a graphics card and the same everywhere. What is seen at each pixel is
 * found once; colours are put on it afterwards. Sizes in pixels, space in cm.
 */
export { cameraAt, reachOf, type Camera, type Reach, type Size } from './camera'
export { VIEW_NAMES, VIEWS, type View, type ViewName } from './constants'
export { develop, type Picture } from './develop'
export { blank, exposeStrands, isSkin, pointOf, skinPixel, strandPixel, type Exposure } from './exposure'
export { exposeSkin, skinOf, type Skin } from './skin'
