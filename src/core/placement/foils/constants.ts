/**
 * Widest row that still goes into one foil, and the usable width of a foil, cm. Common practice: foils are 12–13 cm
 * wide.
 */
export const ONE_FOIL_ROW_CM = 14
export const FOIL_USABLE_CM = 12.5

/** A remainder narrower than this is left to its neighbour instead of getting a foil of its own, cm. Our estimate. */
export const NARROWEST_FOIL_CM = 1

/** Folding allowance at the far end of a foil, cm. Our estimate: folded in thirds so that nothing runs out. */
export const FOLD_CM = 2

/** A zone whose mean normal lies within 40° of straight up is a top zone. Our estimate. */
export const TOP_ZONE_COSINE = Math.cos((40 * Math.PI) / 180)

/** Levels at which a field's area and row length are tabulated. */
export const FIELD_LEVELS = 48
