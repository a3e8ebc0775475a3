import type { Moment } from '@/core/appearance/paint'
import { VIEWS, type View } from '@/core/appearance/picture'
import type { Wear } from '@/core/appearance/strands'

/** What the Look shows, and what it is held against. */
export interface LookSettings {
  wear: Wear
  view: View
  mirrored: boolean
  when: When
  weeks: number
  glossed: boolean
  beside: Beside
}

/** As she comes, after a stage (by its place), or after the visit. */
export type When = 'before' | 'after' | `stage ${number}`
/** What stands beside: nothing, how she comes, ten weeks on, the other way of wearing it, or another idea. */
export type Beside = 'none' | 'before' | 'later' | 'waved' | `idea ${string}`

/** Weeks that stand beside, and the farthest that is looked ahead. Our choice: visits are seldom further apart. */
export const LATER_WEEKS = 10
export const MOST_WEEKS = 24

export const FIRST_LOOK: LookSettings = {
  wear: 'straight',
  view: VIEWS.front,
  mirrored: false,
  when: 'after',
  weeks: 0,
  glossed: false,
  beside: 'none',
}

/** @param stages how many the idea has */
export function momentOf(
  { when, weeks, glossed }: Pick<LookSettings, 'when' | 'weeks' | 'glossed'>,
  stages: number,
): Moment {
  if (when === 'before') return { stages: 0, weeks: 0 }
  if (when === 'after') return { stages, weeks, glossed: weeks > 0 && glossed }
  return { stages: Math.min(stages, Number(when.slice('stage '.length))), weeks: 0 }
}
