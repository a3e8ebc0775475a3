/**
 * The Look: a plan on the client's own head, worn her ways, at any moment of the visit and after it, as pictures and as
 * figures counted in them. A simulation to judge placement by; it promises nothing.
 */
export {
  colourStrands,
  COUNTED,
  COUNTED_COARSELY,
  hairThen,
  lookFigures,
  sceneAt,
  takePicture,
  type Coloured,
  type Shot,
  type Subject,
} from './look'
export { pickAt, seenOf, type Picked } from './pick'
export { createStudio, expose, remember, SEED, type Drawn, type Scene, type Studio } from './scene'
export { lookReport, type LookReport, type Percents } from './report'
export { checkWish, wearsOf, type WishCheck, type WishVerdict, type WornFigures } from './wish'
export { worthOf, type Worth } from './worth'
