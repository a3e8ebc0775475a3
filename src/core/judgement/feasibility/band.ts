import { lastDyeOf } from '../../hair/hairRecord'
import { colourLift, fillerNeeded, STRONGEST_VOL, surfaceOfBand } from '../../product/formula'
import { liftAfter, historyRate, lightestOf } from '../../time/lightening'
import type { Band, Goal, Target, Texture, TreatmentKind } from '../../model'
import {
  BUDGET,
  IN_FOIL,
  LIGHTEST_AT_ALL,
  MOST_VISITS,
  ONE_VISIT,
  POROSITY_TOLL,
  REMOVABLE,
  REMOVER_FROM,
  REMOVER_LEVELS,
  SCHOOL_MEANS,
  TEXTURE_TOLL,
  TOLL_PER_LEVEL,
  TONE_CANVAS,
  UNSEEN_LEVELS,
  WARMTH_ALLOWANCE,
} from './constants'

/** From the cautious to the hopeful. */
export interface Span {
  low: number
  high: number
}

export const PREWORK = ['strandTest', 'clarify', 'remover', 'filler'] as const
export type Prework = (typeof PREWORK)[number]

/** What one band needs and can stand, for one wish. Levels. */
export interface BandVerdict {
  /** Level the lightened canvas has to have. */
  required: number
  /** Levels still to lift. */
  need: number
  /** Speed against virgin hair of medium fibre. */
  rate: number
  /** Levels one visit lifts. */
  perVisit: Span
  /** Levels a remover gains first. */
  removed: Span
  /** Levels the band's integrity allows in all. */
  stands: number
  /** Lightest level it can be brought to, and what sets it. */
  lightest: number
  lightestBy: 'nothing' | 'history' | 'integrity' | 'permanent colour' | 'deposit'
  visits: Span
  prework: Prework[]
  state: 'fine' | 'lift' | 'short' | 'blocked'
}

export const wasTreatedWith = ({ treatments }: Band, ...kinds: readonly TreatmentKind[]): boolean =>
  treatments.some(({ kind }) => kinds.includes(kind))
export const isArtificial = (band: Band): boolean => lastDyeOf(band) !== undefined

/**
 * Canvas level at which the target's tone reads. Hair that is only deposited on, or that shows its natural pigment,
 * needs none.
 */
function requiredCanvas(band: Band, target: Target, goal: Goal): number {
  const lighter = target.level > band.level + UNSEEN_LEVELS
  if (!lighter && !wasTreatedWith(band, 'lightened')) return band.level
  return canvasFor(target, goal)
}

/** Level that lightened hair has to reach for a target to show on it: its own, or what its tone needs beneath it. */
export function canvasFor({ level, hue }: Pick<Target, 'level' | 'hue'>, { warmth }: Pick<Goal, 'warmth'>): number {
  return Math.min(LIGHTEST_AT_ALL, Math.max(level, TONE_CANVAS[hue] - WARMTH_ALLOWANCE[warmth]))
}

/**
 * Levels one visit lifts on hair of a speed, by the school's strength.
 * @param rate against virgin hair of medium fibre
 */
export function liftPerVisit(rate: number, goal: Pick<Goal, 'school'>): Span {
  const lift = ({ minutes, celsius }: { minutes: number; celsius: number }) =>
    liftAfter(minutes, { ...IN_FOIL, celsius, rate, developerVol: SCHOOL_MEANS[goal.school].developerVol })
  return { low: lift(ONE_VISIT.slow), high: lift(ONE_VISIT.fast) }
}

/** Levels that the damage budget of a band pays for. */
export const levelsItStands = (band: Band, texture: Texture, goal: Pick<Goal, 'school'>): number =>
  BUDGET[band.integrity] /
  (TOLL_PER_LEVEL * SCHOOL_MEANS[goal.school].toll * POROSITY_TOLL[band.porosity] * TEXTURE_TOLL[texture])

/** Judges one band against one wish. */
export function judgeBand(band: Band, target: Target, goal: Goal, texture: Texture): BandVerdict {
  const required = requiredCanvas(band, target, goal)
  const need = Math.max(0, required - band.level)
  const lifts = need > UNSEEN_LEVELS
  const rate = historyRate(band, texture)
  const perVisit = liftPerVisit(rate, goal)
  const stands = levelsItStands(band, texture, goal)
  const remover = lifts && need >= REMOVER_FROM && wasTreatedWith(band, ...REMOVABLE) && goal.means === 'open'
  const removed = remover ? REMOVER_LEVELS : { low: 0, high: 0 }
  const { lightest, lightestBy } = lightestLevel(band, goal, stands, removed)
  const blocked = lifts && (wasTreatedWith(band, 'metallic') || band.integrity === 'breaking')
  const reach = Math.min(need, Math.max(0, lightest - band.level))
  const count = (gained: number, each: number) =>
    Math.min(MOST_VISITS, Math.max(1, Math.ceil((reach - gained - UNSEEN_LEVELS) / each)))
  return {
    required,
    need,
    rate,
    perVisit,
    removed,
    stands,
    lightest,
    lightestBy,
    visits: blocked
      ? { low: 0, high: 0 }
      : lifts
        ? { low: count(removed.high, perVisit.high), high: count(removed.low, perVisit.low) }
        : { low: 1, high: 1 },
    prework: preworkOf(band, target, lifts, remover),
    state: blocked ? 'blocked' : !lifts ? 'fine' : lightest < required - UNSEEN_LEVELS ? 'short' : 'lift',
  }
}

function lightestLevel(
  band: Band,
  goal: Goal,
  stands: number,
  removed: Span,
): Pick<BandVerdict, 'lightest' | 'lightestBy'> {
  if (goal.means === 'depositOnly') return { lightest: band.level, lightestBy: 'deposit' }
  if (goal.means === 'permanentOnly')
    return {
      lightest: band.level + (isArtificial(band) ? 0 : colourLift(STRONGEST_VOL)),
      lightestBy: 'permanent colour',
    }
  const byHistory = Math.min(LIGHTEST_AT_ALL, lightestOf(band))
  // A remover takes artificial pigment and leaves the hair's own, so what it gains costs the hair nothing here.
  const byIntegrity = band.level + stands + removed.low
  if (byIntegrity < byHistory) return { lightest: byIntegrity, lightestBy: 'integrity' }
  return { lightest: byHistory, lightestBy: byHistory < LIGHTEST_AT_ALL ? 'history' : 'nothing' }
}

function preworkOf(band: Band, target: Target, lifts: boolean, remover: boolean): Prework[] {
  const filler = fillerNeeded(surfaceOfBand('', band, 0), target.level)
  return [
    ...(lifts && wasTreatedWith(band, 'unknown', 'henna', 'boxDye', 'metallic') ? (['strandTest'] as const) : []),
    ...(wasTreatedWith(band, 'mineral') ? (['clarify'] as const) : []),
    ...(remover ? (['remover'] as const) : []),
    ...(filler ? (['filler'] as const) : []),
  ]
}

/**
 * Canvas level of a band after so many slow or fast visits, never past what is asked or possible. Levels in quarter
 * steps.
 */
export function levelAtVisitsEnd(
  { band, required, lightest, perVisit, removed, state }: BandVerdict & { band: Band },
  slowVisits: number,
  fastVisits: number,
): Span {
  if (state === 'blocked' || state === 'fine') return { low: band.level, high: band.level }
  const at = (gained: number, each: number, visits: number) =>
    Math.floor(4 * (Math.min(required, lightest, band.level + gained + visits * each) + UNSEEN_LEVELS / 2)) / 4
  const slow = at(removed.low, perVisit.low, slowVisits)
  const fast = at(removed.high, perVisit.high, fastVisits)
  // More slow visits may come a little further than fewer fast ones.
  return { low: Math.min(slow, fast), high: Math.max(slow, fast) }
}
