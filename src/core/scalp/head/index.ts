/**
 * Stage 1: a real head and its equal-area map. Lengths in cm, angles in radians, areas in cm².
 */
export { CROWN_POLAR_ANGLE, DEFAULT_CIRCUMFERENCE_CM, EAR_AZIMUTH, REFERENCE_AXES, RIM_FROM_S } from './constants'
export {
  createHead,
  defaultMeasures,
  earToEarArc,
  frontToNapeArc,
  horizontalCircumference,
  HeadMeasureError,
  type Head,
} from './head'
export {
  directionFromMap,
  hairlineOutline,
  hairlineRadius,
  localScale,
  mapFromDirection,
  mapFromPlace,
  placeFromDirection,
  placeFromMap,
  pointFromMap,
  scalpArea,
} from './map'
export { LENGTH_REGION_CENTRES, lengthRegionAt } from './lengthRegions'
export { regionAt, type Region } from './regions'
export { radiusAt, surfacePoint, type Axes } from './surface'
export { readTable } from './tables'
