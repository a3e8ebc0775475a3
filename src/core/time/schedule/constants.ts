/** Taking a foil out or wiping it at the chair, s. Common practice. */
export const TAKE_OUT_SECONDS = 15
/** Gown, brush through, section off, s. Our estimate. */
export const SET_UP_SECONDS = 300
/** Taking colour off the skin, rinsing and washing, s, and more on long hair, s a cm. Our estimate. */
export const RINSE_SECONDS = 360
export const RINSE_SECONDS_PER_CM = 4
/** Towel or dryer until the canvas can be judged or the next product goes on, s. Our estimate. */
export const BETWEEN_SECONDS = 300
/** Drying, styling, looking at it together, s, and more on long hair, s a cm. Our estimate. */
export const FINISH_SECONDS = 900
export const FINISH_SECONDS_PER_CM = 20
/** How long a mixed bowl may wait before it is used, s. Our estimate. */
export const BOWL_WAITS_SECONDS = 600
/**
 * Lightener on virgin lengths leads the scalp by so long, s: the scalp is warm and catches up (common practice: 15 to
 * 25 min).
 */
export const LENGTHS_LEAD_SECONDS = 1200
/** So much at the scalp is left out meanwhile, cm. Common practice. */
export const SCALP_CM = 2.5
/** Going through a section twice takes so much of its time each time. Our estimate. */
export const TWICE_SHARE = 0.6
/** Rinsing one section at the basin while the rest stays dry, s. Our estimate. */
export const PARTIAL_RINSE_SECONDS = 180
