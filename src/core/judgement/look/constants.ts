/** Teased and painted takes look as if they began here, cm. Our estimate. */
export const SOFT_START_CM = 2

/**
 * Weeks a root carries: to the scalp 3–4, rooted 6–8, soft or well away from the scalp 8–12 (common practice); bounds
 * in cm our estimate.
 */
export const UPKEEP = [
  { from: 3, low: 8, high: 12 },
  { from: 0.8, low: 6, high: 8 },
  { from: 0, low: 3, high: 4 },
] as const

/**
 * Half the strip along the part whose hair covers nearly all when worn straight, cm. Three layers over the head come
 * from 2.5–3.2 cm either side of a part (geometry of a 15 cm part). Our estimate.
 */
export const COVERING_CM = 3
