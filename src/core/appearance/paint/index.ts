/**
 * Colour on drawn strands: which foil takes each of them, and how it looks along its length at any moment as the fold
 * has it. Levels 1…12, colours linear sRGB 0…1, distances from the scalp in cm.
 */
export { SOFT_TAKES } from './constants'
export { paintStrands, type Moment, type Paint } from './paint'
export { takersOf, type PlacedPiece, type Stretch, type Takers } from './takers'
