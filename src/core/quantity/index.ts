/**
 * Stage 4: how much and how long. Masses in g, times in s, predictions as ranges (p10, expected, p90).
 */
export { BOWL_G, EDGE_LOSS_G, GRAMS_VARIATION, SCALP_FILM_G_PER_CM2, SECONDS_VARIATION } from './constants'
export { formulaGrams, loadFor, pieceGrams, type FormulaGrams, type PieceGrams } from './grams'
export { combinedSigma, rangeOf, type Range } from './range'
export { lengthSlowness, pieceSeconds, secondsRange, zoneSeconds } from './seconds'
