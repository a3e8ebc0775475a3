/** Overshoots up to this are the hand's and change nothing: two steps of the scale. Our estimate. */
export const STILL_RIGHT_G = 0.2

/** A bowl grows by at most this much to keep its ratio. Our estimate: a quarter more is a quarter wasted. */
export const MOST_GROWTH = 1.25
