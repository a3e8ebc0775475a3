import type { ToneHue } from '../../model'

/** A shade in a mix. Clear has no level and no tone of its own. */
export type Shade = { kind: 'shade'; level: number; hue: ToneHue; strength: number } | { kind: 'clear' }

export interface MixPart {
  shade: Shade
  /** In parts of any size. */
  parts: number
}

/** What a mix of shades is. */
export interface MixedShade {
  /** Weighted mean of the shades without clear; undefined for clear alone. */
  level: number | undefined
  /** Share of each hue's strength, strongest first. */
  tones: { hue: ToneHue; strength: number }[]
  /** Share of the mix that carries colour, 0…1: 1 without clear. How deep it can go falls with it. */
  depth: number
}

/**
 * Level, tones and depth of a mix of shades: weighted means by mass of what colours (common practice: equal parts of
 * level 9 and 6 are 7.5). Clear leaves level and hue as they are and thins the depth.
 * @throws RangeError when no part is above 0
 */
export function mixShades(mix: readonly MixPart[]): MixedShade {
  const whole = mix.reduce((sum, { parts }) => sum + parts, 0)
  if (!(whole > 0)) throw new RangeError('A mix needs at least one part.')
  let colour = 0
  let levels = 0
  const strengths = new Map<ToneHue, number>()
  for (const { shade, parts } of mix) {
    if (shade.kind === 'clear') continue
    colour += parts
    levels += parts * shade.level
    if (shade.strength > 0) strengths.set(shade.hue, (strengths.get(shade.hue) ?? 0) + parts * shade.strength)
  }
  const tones = [...strengths]
    .map(([hue, strength]) => ({ hue, strength: strength / colour }))
    .sort((a, b) => b.strength - a.strength || (a.hue < b.hue ? -1 : 1))
  return { level: colour > 0 ? levels / colour : undefined, tones, depth: colour / whole }
}
