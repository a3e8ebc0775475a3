import { between } from '../../numeric'
import { formatHex } from 'culori'
import type { Tone, ToneHue } from '../../model'
import type { Lab } from './difference'
import { LIGHTNESS, LOOKS_DEEPER } from './constants'

/** A step of a colour path: chroma and hue (degrees) in Lab at one level. */
type Step = readonly [chroma: number, hueDeg: number]

/**
 * Neutral hair, natural or toned to look so. Our estimate: chroma grows to the light browns and falls again, hue turns
 * to yellow.
 */
const NEUTRAL: readonly Step[] = [
  [1.8, 34],
  [3.9, 40],
  [7, 45],
  [10.6, 49],
  [14.7, 55],
  [19, 60],
  [23, 66],
  [25.3, 72],
  [25.6, 78],
  [22.2, 82],
  [16, 85],
  [11, 87],
]

/**
 * Lightened hair with nothing on it. Our estimate after common practice: red-brown below level 4, orange and strongest
 * at 6–7, yellow above 7, palest yellow at 10.
 */
const EXPOSED: readonly Step[] = [
  [6, 32],
  [10, 36],
  [17, 41],
  [26, 46],
  [33, 52],
  [39, 58],
  [42, 65],
  [41, 74],
  [34, 82],
  [23, 88],
  [17, 90],
  [12, 92],
]

/** What a tone at full strength makes of neutral hair: factor on chroma, then a shift of a* and b*. Our estimate. */
const TONE_SHIFT: Record<ToneHue, { chroma: number; a: number; b: number }> = {
  neutral: { chroma: 1, a: 0, b: 0 },
  ash: { chroma: 0.45, a: -1, b: -3 },
  green: { chroma: 0.6, a: -6, b: 1 },
  violet: { chroma: 0.45, a: 2, b: -5 },
  pearl: { chroma: 0.5, a: 1, b: -2 },
  silver: { chroma: 0.12, a: -0.5, b: -1.5 },
  beige: { chroma: 0.85, a: 1, b: 1 },
  gold: { chroma: 1.25, a: 2, b: 8 },
  copper: { chroma: 1.2, a: 12, b: 8 },
  red: { chroma: 1, a: 16, b: 2 },
}

/** The hues and strengths that the words of a formula stand for. Our estimate. */
const FORMULA_TONE: Record<Tone, { hue: ToneHue; strength: number }> = {
  cool: { hue: 'ash', strength: 0.8 },
  neutral: { hue: 'neutral', strength: 0 },
  warm: { hue: 'gold', strength: 0.6 },
}

/** Hue and strength that a formula's tone leaves on hair. */
export const toneOfFormula = (tone: Tone): { hue: ToneHue; strength: number } => FORMULA_TONE[tone]

/** Reads a table at a level by linear interpolation; levels beyond its ends read as its ends. */
function at(table: readonly number[], level: number): number {
  const position = Math.min(Math.max(level, 1), table.length) - 1
  const lower = Math.floor(position)
  const upper = Math.min(lower + 1, table.length - 1)
  return between(table[lower]!, table[upper]!, position - lower)
}

function labOnPath(path: readonly Step[], level: number): Lab {
  const chroma = at(
    path.map(([c]) => c),
    level,
  )
  const hue =
    (at(
      path.map(([, h]) => h),
      level,
    ) *
      Math.PI) /
    180
  return { l: at(LIGHTNESS, level), a: chroma * Math.cos(hue), b: chroma * Math.sin(hue) }
}

/** Lab of hair at a level (1…12, fractions interpolate) with a tone on it. @param strength 0…1 */
export function labOfHair(level: number, hue: ToneHue, strength: number): Lab {
  const neutral = labOnPath(NEUTRAL, level)
  const shift = TONE_SHIFT[hue]
  const factor = 1 + strength * (shift.chroma - 1)
  return { l: neutral.l, a: neutral.a * factor + strength * shift.a, b: neutral.b * factor + strength * shift.b }
}

/** Lab of hair at a level with a formula's tone on it. */
export const labFromLevel = (level: number, tone: Tone): Lab =>
  labOfHair(level, FORMULA_TONE[tone].hue, FORMULA_TONE[tone].strength)

/** Lab of lightened hair with nothing on it: its underlying pigment exposed. */
export const exposedLab = (level: number): Lab => labOnPath(EXPOSED, level)

/** Level of a Lab reading, from its lightness. Inverse of {@link labOfHair} and {@link exposedLab}. @returns 1…12 */
export function levelFromLab({ l }: Lab): number {
  if (l <= LIGHTNESS[0]) return 1
  for (let i = 1; i < LIGHTNESS.length; i++)
    if (l <= LIGHTNESS[i]!) return i + (l - LIGHTNESS[i - 1]!) / (LIGHTNESS[i]! - LIGHTNESS[i - 1]!)
  return LIGHTNESS.length
}

/** The level that a result seems to have. @param strength 0…1 */
export const apparentLevel = (level: number, hue: ToneHue, strength: number): number =>
  level - strength * (LOOKS_DEEPER[hue] ?? 0)

/** sRGB hex of a Lab colour, clipped to what a screen can show. */
export const hexFromLab = (lab: Lab): string => formatHex({ mode: 'lab65', ...lab })
