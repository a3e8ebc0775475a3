import { formatHex } from 'culori'
import type { Tone } from '../model'
import type { Lab } from './difference'

/**
 * Lab of neutral hair at levels 1…12. Our estimate: lightness rises from black hair (L* ≈ 12) to the palest blonde (≈ 88),
 * chroma peaks in the middle where warm pigment is exposed, hue turns from red-brown to yellow.
 */
const NEUTRAL_LEVELS: readonly Lab[] = [
  { l: 12, a: 1.5, b: 1 },
  { l: 15, a: 3, b: 2.5 },
  { l: 19, a: 5, b: 5 },
  { l: 24, a: 7, b: 8 },
  { l: 30, a: 8.5, b: 12 },
  { l: 37, a: 9.5, b: 16.5 },
  { l: 46, a: 9.5, b: 21 },
  { l: 56, a: 8, b: 24 },
  { l: 67, a: 5.5, b: 25 },
  { l: 77, a: 3, b: 22 },
  { l: 83, a: 1.5, b: 16 },
  { l: 88, a: 0.5, b: 11 },
]

/** How a tone moves the neutral colour: factor on chroma and turn of hue in Lab. Our estimate. */
const TONE_SHIFT: Record<Tone, { chroma: number; a: number; b: number }> = {
  cool: { chroma: 0.55, a: -0.5, b: -3 },
  neutral: { chroma: 1, a: 0, b: 0 },
  warm: { chroma: 1.3, a: 3, b: 5 },
}

/** Lab of hair at a level (1…12, fractions interpolate) with a tone on it. */
export function labFromLevel(level: number, tone: Tone): Lab {
  const position = Math.min(Math.max(level, 1), NEUTRAL_LEVELS.length) - 1
  const lower = NEUTRAL_LEVELS[Math.floor(position)]!
  const upper = NEUTRAL_LEVELS[Math.min(Math.floor(position) + 1, NEUTRAL_LEVELS.length - 1)]!
  const t = position - Math.floor(position)
  const mix = (key: keyof Lab) => lower[key] + t * (upper[key] - lower[key])
  const shift = TONE_SHIFT[tone]
  return { l: mix('l'), a: mix('a') * shift.chroma + shift.a, b: mix('b') * shift.chroma + shift.b }
}

/** sRGB hex of a Lab colour, clipped to what a screen can show. */
export const hexFromLab = (lab: Lab): string => formatHex({ mode: 'lab65', ...lab })
