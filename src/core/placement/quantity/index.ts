/**
 * Stage 4: how much and how long. Masses in g, times in s, predictions as ranges (p10, expected, p90).
 */
export { bowlCapacity, planBowls, type Bowl, type BowlRules, type BowlUse } from './bowls'
export {
  BOWL_G,
  BOWL_RESIDUE_G,
  FOIL_SECONDS,
  GRAMS_VARIATION,
  LIGHTENER_LIFE_MINUTES,
  LONG_BOWL_G,
  MIXING_MINUTES,
  PAINTING_SECONDS,
  SCALP_SECONDS_PER_CM,
  SECONDS_VARIATION,
  WASTE_VARIATION,
  ZONE_SECONDS,
} from './constants'
export {
  appliedGrams,
  bowlRulesFor,
  formulaGrams,
  loadFor,
  pieceGrams,
  type Applied,
  type FormulaGrams,
  type PieceGrams,
  type PieceUse,
} from './grams'
export { methodOf } from './method'
export { type ComputedStages, type ZoneResult } from './computedStages'
export { combinedSigma, rangeOf, type Range } from './range'
export { lengthSlowness, pieceSeconds, secondsRange, zoneSeconds } from './seconds'
