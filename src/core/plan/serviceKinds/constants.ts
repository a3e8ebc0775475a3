/** Width of the panel at the face, cm. Common practice. */
export const FACE_PANEL_CM = 2.5

/** How much nearer than further back stitches lie at the hairline for a soft face frame. Our estimate. */
export const SOFT_FRAME = 0.5

/**
 * Rows are laid between these times the distance that the kind of service has; beyond them it is another service. Our
 * estimate.
 */
export const CLOSEST_ROWS = 0.25
export const WIDEST_ROWS = 4

/** Steps of bisection: the share is then known better than a hand lays it. Our choice. */
export const FIT_STEPS = 9

/** A share of light nearer than this to the wish needs no change, in percentage points. Our estimate. */
export const LIGHT_NEAR_ENOUGH = 1

/** More strengths than any shelf has; keeps documents small. Our choice. */
export const MOST_DEVELOPERS = 12

/** Hair shorter than this is worked in blocks, longer than that can be painted, cm. Our estimate. */
export const SHORT_CM = 15
export const LONG_CM = 40

/** Lengths so little under the wish count as light enough; roots so far under it show. Our estimates. */
export const LIGHT_ALREADY_LEVELS = 0.75
export const ROOT_SHOWS_LEVELS = 1.5
/** From here on all hair is light, and its new growth is done on the scalp, %. Our estimate. */
export const ALL_OVER_PERCENT = 60
/** Levels that permanent colour lifts natural hair at most (common practice: 3–4 by 40 vol). */
export const PERMANENT_LIFTS = 3.5
/** Going darker by so many levels needs warm pigment first. Common practice. */
export const WARMTH_BACK_LEVELS = 3

/** Less light than this is none wished for, %. Our estimate. */
export const FEW_LIGHTS_PERCENT = 5
/** Block shapes are seen on hair up to this length, cm. Our estimate: bobs. */
export const BLOCK_SHAPES_CM = 25
/** Developer by school, vol. Common practice. */
export const LOW_AND_SLOW_VOL = 20
export const STEP_UP_VOL = 30
/** What depth is made with where it has to have gone again: a gloss as a new plan mixes it. Common practice. */
export const FADING = { id: 'lull', developerVol: 7, ratio: 1.5 } as const
