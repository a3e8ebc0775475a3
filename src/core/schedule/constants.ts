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
