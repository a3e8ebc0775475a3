/**
 * The Look: a plan on the client's own head, worn her ways, at any moment of the visit and after it, as pictures and as
 * figures counted in them. A simulation to judge placement by; it promises nothing.
 */
export {
  colourStrands,
  COUNTED,
  hairThen,
  lookFigures,
  takePicture,
  type Coloured,
  type Shot,
  type Subject,
} from './look'
export { pickAt, seenOf, type Picked } from './pick'
export { createStudio, expose, SEED, type Drawn, type Scene, type Studio } from './scene'
