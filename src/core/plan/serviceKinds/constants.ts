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
