/** A lesser share of what is seen does not show, 0…1. Our estimate. */
export const SHOWS_FROM = 0.02
/** Hair that is this much lighter or darker than it was has changed, levels. Our estimate. */
export const CHANGED_BY = 0.5
/**
 * Hair at the face: within this azimuth of it, degrees, and from this share of the way to the hairline. Our estimate.
 */
export const FACE_HAIR = { azimuth: 72, fromS: 0.62 } as const
/** Hair at the part: roots so near to it and the stretch so near to the scalp, cm. Our estimate. */
export const PART_HAIR = { besideCm: 1.3, alongCm: 3 } as const
/**
 * Stripes are looked for where a view has at least so much contrast, levels, and smoothed so far to each side, cm. Our
 * estimates.
 */
export const STRIPES = { fromLevels: 0.8, smoothCm: 0.35 } as const
/**
 * Bands of height over which a shelf is looked for, and the least hair of one that is compared, cm and cm². Our
 * choice.
 */
export const SHELF = { bandCm: 2, leastCm2: 6 } as const
/**
 * Bands along the strand in which the way from the root's level is read, cm, and where it begins and ends, of the
 * whole rise. Our choice.
 */
export const SOFTNESS = { bandCm: 0.5, from: 0.2, to: 0.8 } as const
/**
 * How much each view counts where one figure stands for all: people are seen from all sides, seldom from above. Our
 * estimate.
 */
export const VIEW_WEIGHTS = { front: 0.35, left: 0.2, right: 0.2, back: 0.2, top: 0.05 } as const
