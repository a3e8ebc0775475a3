import { underlyingPigment } from '../../hair/colour'
import type { ToneHue } from '../../model'
import { fillerNeeded } from './findings'
import { DARKER_NEEDS_FILLER, RUNS_FROM_LEVELS } from './constants'
import type { Surface } from './surface'

/** What to put back before going dark. */
export interface Filler {
  needed: boolean
  /** Of the filler: a level above where the hair is to go, in the warmth that lies there. */
  level: number
  hue: ToneHue
  reason: string
}

/**
 * Warm shades that stand for the exposed pigment, up to and including a level. Common practice: red at the brown
 * levels, copper around 6–7, gold above.
 */
const WARMTH_AT: readonly { upTo: number; hue: ToneHue }[] = [
  { upTo: 4.5, hue: 'red' },
  { upTo: 7, hue: 'copper' },
  { upTo: Infinity, hue: 'gold' },
]

/** Whether hair needs a filler before it goes to a level, which one, and why. */
export function fillerFor(surface: Surface, to: number): Filler {
  const level = Math.min(surface.level, to + 1)
  const { hue } = WARMTH_AT.find(({ upTo }) => level <= upTo)!
  const needed = fillerNeeded(surface, to)
  const reason = needed
    ? `Level ${surface.level} holds hardly any warm pigment; at ${level} there would be ${underlyingPigment(level).name}.`
    : surface.level - to < DARKER_NEEDS_FILLER
      ? `${Math.max(0, surface.level - to)} levels darker are within what one shade with warmth in it does.`
      : 'There is depth or warmth in this hair already.'
  return { needed, level, hue, reason }
}

/**
 * Level of a shadow root: near the natural one, in whole levels, but no lighter than a level below the lengths. Common
 * practice.
 */
export const shadowRootLevel = (naturalLevel: number, lengthsLevel: number): number =>
  Math.max(1, Math.min(Math.round(naturalLevel), Math.round(lengthsLevel) - 1))

/**
 * Whether light strands beside dark foils want a slightly warmer companion, because the dark runs over them in rinsing
 * (common practice).
 */
export const wantsCompanion = (lightLevel: number, otherLevels: readonly number[]): boolean =>
  otherLevels.some((level) => lightLevel - level >= RUNS_FROM_LEVELS)
