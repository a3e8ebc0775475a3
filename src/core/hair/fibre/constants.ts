import type { Part, Density, Texture } from '../../model'

/**
 * Hairs per cm² of scalp away from the hairline. Classes: common practice; the middle agrees with Loussouarn 2001 (227
 * ± 55, 190 ± 40) and 2005 (175 ± 54), from memory.
 */
export const HAIRS_PER_CM2: Record<Density, number> = { low: 150, medium: 190, high: 230 }

/**
 * Fibre diameter, µm. Robbins, Chemical and Physical Behavior of Human Hair: 50–100 µm (from memory); classes our
 * estimate.
 */
export const FIBRE_DIAMETER_UM: Record<Texture, number> = { fine: 55, medium: 70, coarse: 90 }

/** Density of keratin, g/cm³. Robbins (from memory). */
export const KERATIN_DENSITY = 1.32

/** Share of the full density right at the hairline and at the temples, and where thinning begins (s). Our estimate. */
export const HAIRLINE_DENSITY_SHARE = 0.75
export const TEMPLE_DENSITY_SHARE = 0.7
export const THINNING_FROM = 0.8

/** Mean over longest fibre: 0.95 at 30 cm, 0.80 from 60 cm on. Our estimate (hair is shed and breaks, so it tapers). */
export const TAPER = [
  { lengthCm: 0, meanShare: 1 },
  { lengthCm: 30, meanShare: 0.95 },
  { lengthCm: 60, meanShare: 0.8 },
] as const

/**
 * Half an inch a month: public dermatology guidance (from memory). Loussouarn 2001 measured 396 ± 55 µm/day = 1.2 cm.
 */
export const GROWTH_CM_PER_MONTH = 1.25
/** Weeks in a month: 365.2425 / 12 / 7, the Gregorian mean. Mathematics. */
export const WEEKS_PER_MONTH = 365.2425 / 12 / 7

/** Share of a bundle that is fibre and not air when a ponytail is gathered. Our estimate. */
export const PONYTAIL_PACKING = 0.65

/** No root carries less than this, whatever the cut line says, cm. Our estimate. */
export const SHORTEST_CM = 1

/** How much a graduated cut line falls per cm towards the face or the back (about 27°). Our estimate. */
export const GRADUATION_SLOPE = 0.5
/**
 * Scalp that carries hair at full density, cm²: a default head's 664 cm² less the thinning at its rim. Computed by
 * hairsOnHead. Mathematics.
 */
export const FULL_DENSITY_AREA = 643

/** A side part lies about this far from the middle, cm. Our estimate. */
export const SIDE_PART_CM = 3
export const PART_SIDE: Record<Part, number> = { none: 0, left: 1, centre: 0, right: -1, zigzag: 0 }
