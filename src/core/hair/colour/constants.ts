import type { ToneHue } from '../../model'

/** Black hair still gives back a little from its surface. Our estimate. */
export const DARKEST = 0.004

/**
 * Lightness L* of hair at levels 1…12. A level is a lightness and nothing else; tone sits on it. Our estimate: black
 * hair about 12, the palest blonde about 90, steps growing towards the middle.
 */
export const LIGHTNESS = [12, 15, 19, 25, 32, 40, 50, 61, 73, 84, 87.5, 90] as const

/**
 * Cool results look up to a level deeper than their number says, warm ones lighter (common practice; half a level is
 * our estimate).
 */
export const LOOKS_DEEPER: Partial<Record<ToneHue, number>> = {
  ash: 1,
  green: 1,
  violet: 1,
  pearl: 0.75,
  silver: 0.75,
  beige: -0.25,
  gold: -0.5,
  copper: -0.5,
}

/** Absorption per unit of eumelanin and pheomelanin in red, green and blue. d'Eon et al. 2011 (from memory). */
export const EUMELANIN = [0.419, 0.697, 1.37] as const
export const PHEOMELANIN = [0.187, 0.4, 1.05] as const

/**
 * The warm residue that lightening leaves longest, relative to blue. The two melanins alone never get more chromatic
 * than about 34 at hue 70°, while lifted orange hair is near 40 at 60°; what is missing absorbs red : green : blue
 * about 1 : 3.7 : 14. Our estimate, solved from the exposed path.
 */
export const WARM_RESIDUE = [0.07, 0.26, 1] as const

/** Light that black hair still gives back from its surface. Our estimate. */
export const SURFACE_REFLECTION = 0.012

/** Azimuthal roughness 0.3 in the fit of Chiang et al. 2016 (from memory): albedo c = exp(−g·√σ). */
export const BETA = 0.3
export const ALBEDO_EXPONENT =
  5.969 - 0.215 * BETA + 2.532 * BETA ** 2 - 10.73 * BETA ** 3 + 5.574 * BETA ** 4 + 0.245 * BETA ** 5

/**
 * Pigments of hair lightened to levels 1…10, calibrated to the exposed path (ΔE₀₀ at most 1.4). Dark pigment goes
 * first, the warm residue last. Our estimate, by search under the condition that none of them ever grows.
 */
export const PIGMENTS: readonly (readonly [number, number, number])[] = [
  [0.856, 0.418, 2.41],
  [0.584, 0.374, 1.69],
  [0.281, 0.265, 1.6],
  [0.0656, 0.191, 1.46],
  [0.00559, 0.101, 1.13],
  [0.0001, 0.00033, 0.825],
  [0.00007, 0.00032, 0.452],
  [0.000066, 0.00031, 0.217],
  [0.000065, 0.0003, 0.0846],
  [0.000063, 0.00001, 0.0262],
]
