/**
 * Colour of hair: levels (lightness), tones (hue and strength on a level), the warmth that lightening exposes,
 * differences. CIE Lab under D65.
 */
export { absorbanceOf, labFromAbsorbance, type Absorbance } from './absorbance'
export { colourDifference, type Lab } from './difference'
export { apparentLevel, exposedLab, hexFromLab, labFromLevel, labOfHair, levelFromLab, toneOfFormula } from './level'
export {
  complementOf,
  HUE_CIRCLE,
  labFromPigments,
  pigmentsAt,
  underlyingPigment,
  type CircleHue,
  type Pigments,
  type UnderlyingPigment,
} from './pigment'
export { EUMELANIN, PHEOMELANIN } from './constants'
