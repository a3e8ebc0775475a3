import { toQuarterLevel } from '../../hair/hairRecord'
import { underlyingPigment } from '../../hair/colour'
import type { Feasibility, JudgedBand, Wish } from './assess'
import { levelAtVisitsEnd, PREWORK, type Prework, type Span } from './band'
import { SCHOOL_MEANS } from './constants'

/** One visit: what is done in order, and the canvas level of the limiting band after it. */
export interface PlannedVisit {
  number: number
  /** `maybe` when only the cautious count needs it. */
  need: 'sure' | 'maybe'
  steps: string[]
  after: Span
}

const PREWORK_STEPS: Record<Prework, string> = {
  strandTest: 'Test a hidden strand and let it dry before anything else',
  clarify: 'Clarify until the minerals are out (30 min under warmth, sometimes twice)',
  remover: 'Remove artificial pigment, off the scalp, 30 min each time',
  filler: 'Put warm pigment back before going darker',
}

const where = (bands: readonly JudgedBand[]): string =>
  [...new Set(bands.map(({ band }) => `${band.fromCm}–${band.toCm} cm`))].join(', ')
const level = (value: number): string => String(toQuarterLevel(value))

/** The promise, visit by visit. Empty where nothing can be promised. */
export function visitPlan(
  { goal }: Wish,
  { reach, visits, limiting, bands }: Omit<Feasibility, 'reasons' | 'plan'>,
): PlannedVisit[] {
  if (reach === 'notNow') return []
  const lifted = bands.filter(({ state }) => state === 'lift' || state === 'short')
  const prework = PREWORK.flatMap((kind) => {
    const concerned = bands.filter((band) => band.prework.includes(kind))
    return concerned.length > 0 ? [`${PREWORK_STEPS[kind]}: ${where(concerned)}.`] : []
  })
  return Array.from({ length: visits.high }, (_, i) => {
    const number = i + 1
    const now = lifted.filter((band) => number <= band.visits.high)
    const after = levelAtVisitsEnd(limiting, number, number)
    const last = number === visits.high
    const { developerVol } = SCHOOL_MEANS[goal.school]
    return {
      number,
      need: number <= visits.low ? 'sure' : 'maybe',
      after,
      steps: [
        ...(number === 1 ? prework : []),
        ...(now.length > 0
          ? [
              `Lighten ${where(now)} with at most ${developerVol} vol in foil; expect level ${after.low === after.high ? level(after.low) : `${level(after.low)}–${level(after.high)}`} (${underlyingPigment(after.low).name}) where it is slowest.`,
            ]
          : []),
        ...(now.some(({ band }) => band.integrity !== 'sound')
          ? ['Bond additive, weakest strength on the worn stretches, wet stretch test before and during.']
          : []),
        last || visits.low === visits.high
          ? `Tone to ${limiting.target.hue} ${level(limiting.target.level)}.`
          : `Tone to something she can wear: ${underlyingPigment(after.low).cancelledBy} calms ${underlyingPigment(after.low).name}.`,
      ],
    }
  })
}
