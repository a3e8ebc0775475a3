import { converter } from 'culori'
import type { Lab } from './difference'

/** Hues of the painters' circle, twelve of them; opposite ones cancel each other (colour theory). */
export const HUE_CIRCLE = [
  'red',
  'red-orange',
  'orange',
  'yellow-orange',
  'yellow',
  'yellow-green',
  'green',
  'blue-green',
  'blue',
  'blue-violet',
  'violet',
  'red-violet',
] as const
export type CircleHue = (typeof HUE_CIRCLE)[number]

/** The hue that cancels another. @example complementOf('orange') // 'blue' */
export const complementOf = (hue: CircleHue): CircleHue => HUE_CIRCLE[(HUE_CIRCLE.indexOf(hue) + 6) % 12]!

/**
 * Names of the warmth that lightening exposes, up to and including a level. Common practice: orange at 6–7, yellow
 * above, palest yellow at 10.
 */
const UNDERLYING = [
  { upTo: 3.25, name: 'red-brown', hue: 'red' },
  { upTo: 4.25, name: 'red', hue: 'red' },
  { upTo: 5.5, name: 'red-orange', hue: 'red-orange' },
  { upTo: 7, name: 'orange', hue: 'orange' },
  { upTo: 8.25, name: 'yellow-orange', hue: 'yellow-orange' },
  { upTo: 9.5, name: 'yellow', hue: 'yellow' },
  { upTo: Infinity, name: 'pale yellow', hue: 'yellow' },
] as const satisfies readonly { upTo: number; name: string; hue: CircleHue }[]

export interface UnderlyingPigment {
  name: (typeof UNDERLYING)[number]['name']
  hue: CircleHue
  /** Hue of a toner that cancels it. */
  cancelledBy: CircleHue
}

/** Warm pigment exposed when hair has been lightened to a level. */
export function underlyingPigment(level: number): UnderlyingPigment {
  const { name, hue } = UNDERLYING.find(({ upTo }) => level <= upTo)!
  return { name, hue, cancelledBy: complementOf(hue) }
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
const SURFACE_REFLECTION = 0.012

/** Azimuthal roughness 0.3 in the fit of Chiang et al. 2016 (from memory): albedo c = exp(−g·√σ). */
const BETA = 0.3
const ALBEDO_EXPONENT =
  5.969 - 0.215 * BETA + 2.532 * BETA ** 2 - 10.73 * BETA ** 3 + 5.574 * BETA ** 4 + 0.245 * BETA ** 5

export interface Pigments {
  eumelanin: number
  pheomelanin: number
  residue: number
}

/**
 * Pigments of hair lightened to levels 1…10, calibrated to the exposed path (ΔE₀₀ at most 1.4). Dark pigment goes
 * first, the warm residue last. Our estimate, by search under the condition that none of them ever grows.
 */
const PIGMENTS: readonly (readonly [number, number, number])[] = [
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

/** Pigments of hair at a level, 1…10; between levels they are interpolated in proportion. */
export function pigmentsAt(level: number): Pigments {
  const position = Math.min(Math.max(level, 1), PIGMENTS.length) - 1
  const lower = PIGMENTS[Math.floor(position)]!
  const upper = PIGMENTS[Math.min(Math.floor(position) + 1, PIGMENTS.length - 1)]!
  const mix = (k: 0 | 1 | 2) => lower[k] * (upper[k] / lower[k]) ** (position - Math.floor(position))
  return { eumelanin: mix(0), pheomelanin: mix(1), residue: mix(2) }
}

const toLab = converter('lab65')

/**
 * Colour of hair with these pigments: σ = Σ amount · absorption, c = floor + (1 − floor)·exp(−g·√σ) per linear sRGB
 * channel.
 */
export function labFromPigments({ eumelanin, pheomelanin, residue }: Pigments): Lab {
  const channel = (k: 0 | 1 | 2) => {
    const absorption = eumelanin * EUMELANIN[k] + pheomelanin * PHEOMELANIN[k] + residue * WARM_RESIDUE[k]
    return SURFACE_REFLECTION + (1 - SURFACE_REFLECTION) * Math.exp(-ALBEDO_EXPONENT * Math.sqrt(absorption))
  }
  const { l, a, b } = toLab({ mode: 'lrgb', r: channel(0), g: channel(1), b: channel(2) })
  return { l, a, b }
}
