import type { FaltoPlan } from '@/core/model'
import { afterFigures, checkPlan } from '@/core/plan/planner'
import { planFromService, SERVICES } from '@/core/plan/serviceKinds'
import { foldPlan } from '@/core/time/fold'
import { ALONE, clockFor, type Clock } from '@/core/time/schedule'
import { MEDIUM_HAIR } from '../support/plan'
import { computeStages } from '../support/planner'
import { visitPlan } from '../support/visitPlans'
import { EXPECTED } from './services.expected'
import { VISITS, type ExpectedVisit } from './visits.expected'

/**
 * Whole visits against what was written down before they were built (`visits.expected.ts`; common practice, no source).
 * Of 187 figures 181 lie where they were expected; these do not, and nothing was moved afterwards to make them:
 * - dyeTakenOut: 412 g of remover instead of at most 400: its load is the lightener's.
 * - filledAndDeepened: the filler stays in under the depth, so the two are on at once; that was not written down.
 * - faceFrame: 20 foils instead of at most 18, as in `services.test.ts`.
 * - lowInWhite: her own pigmented hair is of level 5 as well, so that more hair than the lowlights shows it.
 * - tieredCorrection: a cool gloss of 7 on 8 reads 6.5 instead of 6.75 or more.
 * - cleanAndBright: 144 g of clarifier instead of at most 90: it is counted like a mask.
 */
const MISSES: Record<string, string[]> = {
  dyeTakenOut: ['grams A 412'],
  filledAndDeepened: ['at once'],
  faceFrame: ['foils 20'],
  lowInWhite: ['out 1 51'],
  tieredCorrection: ['out 1 0'],
  cleanAndBright: ['grams A 144'],
}

const within = (value: number, [least, most]: readonly [number, number]) =>
  value >= least - 0.05 && value <= most + 0.05

/** Share of all hair whose level at every probe lies where it is expected, %. */
function shareLike(plan: FaltoPlan, at: ExpectedVisit['out'][number]['at']): number {
  const computed = computeStages(plan)
  const { after } = afterFigures(plan, computed, foldPlan(plan, computed))
  return (
    100 *
    after
      .filter(({ bands }) =>
        Object.entries(at).every(([cm, range]) => {
          const band = bands.find(({ toCm }) => toCm > Number(cm)) ?? bands.at(-1)!
          return within(band.level, range)
        }),
      )
      .reduce((sum, { share }) => sum + share, 0)
  )
}

/** Pairs of stages that are on the hair at the same time. */
function pairsAtOnce(plan: FaltoPlan, { zones }: Clock): string[] {
  const { stages } = plan.variants[0]!
  const spans = stages.flatMap(({ id, name }) => {
    const own = zones.filter(({ stageId }) => stageId === id)
    if (own.length === 0) return []
    return [
      {
        name,
        from: Math.min(...own.map(({ firstOn }) => firstOn)),
        to: Math.max(...own.map(({ lastOut }) => lastOut)),
      },
    ]
  })
  return spans.flatMap((one, i) =>
    spans
      .slice(i + 1)
      .flatMap((other) =>
        other.from < one.to - 0.5 && one.from < other.to - 0.5 ? [`${one.name} + ${other.name}`] : [],
      ),
  )
}

function figuresOff(id: string, expected: ExpectedVisit): string[] {
  const plan = visitPlan(id)
  expect(checkPlan(plan)).toEqual([])
  const computed = computeStages(plan)
  const clock = clockFor(plan, computed, { crew: ALONE })
  const letters = Object.entries(expected.grams)
  const gramsOf = (letter: string) => computed.grams.find(({ formulaId }) => formulaId === letter)?.range.expected ?? 0
  const atOnce = (expected.atOnce ?? []).map((names) => names.join(' + ')).sort()
  const off = [
    ...(within(computed.foilCount, expected.foils) ? [] : [`foils ${computed.foilCount}`]),
    ...letters.flatMap(([letter, range]) =>
      within(gramsOf(letter), range) ? [] : [`grams ${letter} ${Math.round(gramsOf(letter))}`],
    ),
    ...Object.entries(expected.share ?? {}).flatMap(([letter, range]) => {
      const share = 100 * (computed.shareByFormula[letter] ?? 0)
      return within(share, range) ? [] : [`share ${letter} ${Math.round(share)}`]
    }),
    ...expected.out.flatMap(({ share, at }, i) => {
      const found = shareLike(plan, at)
      return within(found, share) ? [] : [`out ${i + 1} ${Math.round(found)}`]
    }),
    ...(JSON.stringify(pairsAtOnce(plan, clock).sort()) === JSON.stringify(atOnce) ? [] : ['at once']),
    ...(clock.fits ? [] : ['fits']),
  ]
  return off
}

it('the misses are six of all figures', () => {
  const figures = Object.values(VISITS).map(
    ({ foils: _foils, grams, share = {}, out }) =>
      3 + Object.keys(grams).length + Object.keys(share).length + out.length,
  )
  const missed = Object.values(MISSES).flat().length
  expect([figures.reduce((sum, one) => sum + one, 0), missed]).toEqual([187, 6])
})

it.each(Object.entries(VISITS))(
  '%s comes out as expected, or among the misses that are owned up to',
  (id, expected) => {
    expect(figuresOff(id, expected)).toEqual(MISSES[id] ?? [])
  },
)

it('every kind of service was written down before it was built', () => {
  for (const { id } of SERVICES) expect([id, id in EXPECTED || id in VISITS]).toEqual([id, true])
})

it('no strand leaves lightened and untoned where a gloss goes over everything (C22)', () => {
  for (const id of ['rootedTeased', 'fullBabylights', 'tieredCorrection']) {
    const plan = visitPlan(id)
    const after = foldPlan(plan, computeStages(plan)).stages.at(-1)!
    for (const { bands } of after.flat()) {
      const kinds = bands.at(-1)!.treatments.map(({ kind }) => kind)
      expect(kinds.includes('lightened') && kinds.at(-1) === 'lightened').toBe(false)
    }
  }
})

/** Lengths, cm, at which a kind of service is too much for one pair of hands; its own text says so, or what helps. */
const NEEDS_HELP: Record<string, number[]> = { baseUnderFoils: [60] }

it.each(SERVICES.map(({ id }) => [id] as const))(
  '%s fits a standard head for one colourist at 25 to 60 cm, or is known to need help',
  (id) => {
    const tooMuch = [25, 35, 60].filter((lengthCm) => {
      let n = 0
      const plan = planFromService(id, {
        head: { circumferenceCm: 55 },
        hair: { ...MEDIUM_HAIR, lengthCm, weeksSinceColour: 6 },
        newId: () => `id-${n++}`,
      })
      return !clockFor(plan, computeStages(plan), { crew: ALONE }).fits
    })
    expect(tooMuch).toEqual(NEEDS_HELP[id] ?? [])
  },
)
