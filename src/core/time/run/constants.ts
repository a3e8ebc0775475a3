/** Less than this is not told as a cause, ms. Our estimate. */
export const TOLD_FROM = 60_000

/** How far a level read by eye may be off. Common practice: half a level. */
export const READING_LEVELS = 0.5
