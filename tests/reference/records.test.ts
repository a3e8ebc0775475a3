import { hairsOfCells } from '@/core/placement/foils'
import { createHead } from '@/core/scalp/head'
import { predictCanvas } from '@/core/hair/hairRecord'
import type { Band, Canvas } from '@/core/model'
import { foldPlan } from '@/core/time/fold'
import { computeStages } from '../support/planner'
import { CARDS, type ExpectedCard } from './records.expected'
import { visitPlan } from '../support/visitPlans'

/**
 * The record after six visits, read back eight weeks later, against what a colourist would have written on the card
 * (`records.expected.ts`, written down first; common practice, no source).
 */
const VISIT = '2026-11-01'
const EIGHT_WEEKS_LATER = '2026-12-27'

/** What lies at a distance from the scalp. */
const bandAt = (bands: readonly Band[], cm: number): Band => bands.find(({ toCm }) => toCm > cm) ?? bands.at(-1)!

function isKind(bands: readonly Band[], at: ExpectedCard['kinds'][number]['at']): boolean {
  return Object.entries(at).every(
    ([
      cm,
      {
        level: [least, most],
        done,
      },
    ]) => {
      const band = bandAt(bands, Number(cm))
      const kinds: string[] = band.treatments.map(({ kind }) => kind)
      return (
        band.level >= least - 0.01 &&
        band.level <= most + 0.01 &&
        (done.length === 0 ? kinds.length === 0 : done.every((kind) => kinds.includes(kind)))
      )
    },
  )
}

function shareOf({ strands, cells }: Canvas, hairs: Float64Array, at: ExpectedCard['kinds'][number]['at']): number {
  const fits = new Set(strands.filter(({ bands }) => isKind(bands, at)).map(({ id }) => id))
  const whole = hairs.reduce((sum, one) => sum + one, 0)
  return (
    (100 / whole) *
    cells.reduce(
      (sum, { populations }, i) =>
        sum + hairs[i]! * populations.reduce((own, { strandId, share }) => own + (fits.has(strandId) ? share : 0), 0),
      0,
    )
  )
}

describe.each(CARDS)('eight weeks after $visit', ({ visit, kinds }) => {
  const plan = visitPlan(visit)
  const computed = computeStages(plan)
  const after = foldPlan(plan, computed, { on: VISIT, visitId: 'v1' }).canvas()
  const card = predictCanvas(after, plan.hair, { on: EIGHT_WEEKS_LATER })
  const hairs = hairsOfCells(createHead(plan.head), plan.hair)

  it.each(kinds)('the card says: $what', ({ share, at }) => {
    const found = shareOf(card, hairs, at)
    expect(found).toBeGreaterThanOrEqual(share[0] - 0.05)
    expect(found).toBeLessThanOrEqual(share[1] + 0.05)
  })
})
