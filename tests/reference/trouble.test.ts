/** Stays local, whatever is planned after it. Kind: law of the schedule (MODEL §6). */
import { activeVariant, inOneRinse, type FaltoPlan } from '@/core/model'
import { SERVICES } from '@/core/plan/serviceKinds'
import { ALONE, ASSISTANT, clockFor, withHelp } from '@/core/time/schedule'
import { computeStages } from '../support/planner'
import { servicePlan } from '../support/samples'

/** A plan that ends after so many of its rinses. */
function upTo(plan: FaltoPlan, rinses: number): FaltoPlan {
  const shorter = structuredClone(plan)
  const variant = activeVariant(shorter)
  variant.stages = inOneRinse(variant.stages).slice(0, rinses).flat()
  return shorter
}

const offTimes = (plan: FaltoPlan, crew: typeof ALONE) =>
  new Map(
    clockFor(plan, computeStages(plan), { crew }).zones.map(({ stageId, zoneId, formulaId, lastOut, level }) => [
      `${stageId}/${zoneId}/${formulaId}`,
      { lastOut, level: level.expected },
    ]),
  )

const severalRinses = SERVICES.map(({ id }) => id).filter(
  (id) => inOneRinse(activeVariant(servicePlan(id)).stages).length > 1,
)

it('is asked of kinds of service that rinse more than once', () => {
  expect(severalRinses.length).toBeGreaterThan(15)
})

it.each(severalRinses)(
  '%s: what comes after a rinse changes neither when it was rinsed nor how far it lifted',
  (id) => {
    for (const [lengthCm, crew] of [
      [25, ALONE],
      [60, ALONE],
      [60, withHelp([ASSISTANT])],
    ] as const) {
      const plan = servicePlan(id)
      plan.hair.lengthCm = lengthCm
      const whole = offTimes(plan, crew)
      const rinses = inOneRinse(activeVariant(plan).stages).length
      for (let first = 1; first < rinses; first++)
        for (const [key, { lastOut, level }] of offTimes(upTo(plan, first), crew)) {
          // What stays in works until the visit ends.
          if (activeVariant(plan).stages.find(({ id: own }) => key.startsWith(`${own}/`))!.comesOff?.kind === 'stays')
            continue
          expect(whole.get(key)!.lastOut).toBeCloseTo(lastOut, 6)
          expect(Math.abs(whole.get(key)!.level - level)).toBeLessThan(0.1)
        }
    }
  },
)
