import { checkPlan, planFigures } from '@/core/plan/planner'
import { SERVICES, type ServiceId } from '@/core/plan/serviceKinds'
import { activeVariant } from '@/core/model'
import { endsOf, scriptFor } from '@/core/time/run'
import { ALONE, clockFor } from '@/core/time/schedule'
import { servicePlan } from '../support/samples'
import { EXPECTED } from './services.expected'
import { computePlan, computeStages } from '../support/planner'

/**
 * Kinds of service against what was written down before they were built (`services.expected.ts`; common practice, no
 * source). Of 105 figures 92 lie where they were expected; these do not, and nothing was moved afterwards to make
 * them:
 * - boldSlices: 48 % low instead of at most 45: two formulas in turn back to back share the head evenly.
 * - faceFrame: 20 foils instead of at most 18: two rows along the whole face side are split into three foils each.
 * - baseAndLight: 40 foils instead of 45 or more: every third row is left for the base.
 * - triangleFan begins with a triangle at the nape, which the layout calls by number and not "perimeter".
 * - haloBrightness leaves the circle alone, so the last section worked is the perimeter.
 * Light and low are read from the hair as the visit leaves it, strand by strand where it is worn (on virgin hair here):
 * - onScalpRetouch, foilRetouch: a root of a few centimetres makes no strand light.
 * - triangleFan, crossedPanels: a gloss of 8 or 7 on natural 6 or 5 lightens nothing.
 * - lowInWhite, baseAndLight: level 5 on natural 5 darkens nothing; the head of this test has no white.
 * - whiteCopied: white hair is glossed with everything else and a little deeper for it.
 * - tieredCorrection, boldSlices: what lies between the light is taken by the low, all of it.
 */
const MISSES: Partial<Record<ServiceId, string[]>> = {
  boldSlices: ['low'],
  faceFrame: ['foils'],
  onScalpRetouch: ['light'],
  foilRetouch: ['light'],
  lowInWhite: ['low'],
  triangleFan: ['light', 'first'],
  crossedPanels: ['light'],
  tieredCorrection: ['low'],
  whiteCopied: ['low'],
  baseAndLight: ['foils', 'low'],
  haloBrightness: ['last'],
}

describe.each(SERVICES.map(({ id }) => id))('%s', (id) => {
  const plan = servicePlan(id)
  const expected = EXPECTED[id]

  // Of the others nothing was written down before they were built.
  if (expected)
    it('comes out as expected, or among the misses that are owned up to', () => {
      expect(checkPlan(plan)).toEqual([])
      const computed = computePlan(plan)
      const { foils, look } = planFigures(plan, computed)
      const roles = new Map(plan.variants[0]!.stages.flatMap(({ zones }) => zones.map((zone) => [zone.id, zone.role])))
      const firstStage = plan.variants[0]!.stages[0]!.id
      const worked = computed.zones.filter(({ placement }) => placement.pieces.length > 0)
      const inFirst = worked.filter(({ stageId }) => stageId === firstStage).map(({ zoneId }) => roles.get(zoneId))
      const within = (value: number, [least, most]: [number, number]) => value >= least && value <= most
      const differs = [
        !within(foils, expected.foils) && 'foils',
        !within(look.lightPercent, expected.light) && 'light',
        !within(look.lowPercent, expected.low) && 'low',
        inFirst[0] !== expected.first && 'first',
        inFirst.at(-1) !== expected.last && 'last',
      ].filter(Boolean)
      expect(differs).toEqual(MISSES[id] ?? [])
    })

  it('takes no colour off before its time where one colourist does it alone', () => {
    const { zones } = clockFor(plan, computeStages(plan), { crew: ALONE })
    expect(Math.max(...zones.map(({ cutShort }) => cutShort))).toBeLessThan(0.5)
  })

  it('ends the time of all that goes on and does not stay in, so that nothing is under product for ever', () => {
    const pinned = scriptFor(plan, computeStages(plan), { crew: ALONE })
    const stays = activeVariant(plan).stages.filter(({ comesOff }) => comesOff?.kind === 'stays')
    for (const { kind, id: step } of pinned.steps)
      if (kind === 'apply' && !stays.some((stage) => step.includes(`/${stage.id}/`)))
        expect([step, endsOf(pinned, step).length > 0]).toEqual([step, true])
  })
})
