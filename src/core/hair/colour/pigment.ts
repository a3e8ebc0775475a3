import { converter } from 'culori'
import type { Lab } from './difference'
import { EUMELANIN, PHEOMELANIN, WARM_RESIDUE, SURFACE_REFLECTION, ALBEDO_EXPONENT, PIGMENTS } from './constants'

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

export interface Pigments {
  eumelanin: number
  pheomelanin: number
  residue: number
}

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
