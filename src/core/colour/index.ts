/** Colour of hair on screen and differences between colours. CIE Lab under D65. */
export { colourDifference, type Lab } from './difference'
export { hexFromLab, labFromLevel } from './level'
