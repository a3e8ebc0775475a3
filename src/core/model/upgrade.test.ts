import { readFileSync, readdirSync } from 'node:fs'
import { checkPlan } from '../plan/planner'
import { planWith } from '../../../tests/support/plan'
import { computeStages } from '../../../tests/support/planner'
import { upgradePlan, upgradeSections, type FaltoPlan } from '.'

const FOLDER = 'tests/support/plans1'
const kept = readdirSync(FOLDER).map((name) => JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as FaltoPlan)
const asOne = (plan: FaltoPlan): unknown => ({ ...structuredClone(plan), schemaVersion: 1 })

describe('a document of version 1', () => {
  it.each(kept.map((plan) => [plan.name, plan] as const))('opens: %s', (_name, plan) => {
    const upgraded = upgradePlan(plan)
    expect(upgraded.schemaVersion).toBe(2)
    expect(checkPlan(upgraded)).toEqual([])
    expect({ ...upgraded, schemaVersion: 1 }).toEqual(plan)
  })

  it('keeps every figure to the digit, also where a take kept a saturation for later', () => {
    const plan = planWith({
      placement: { take: { kind: 'weave', stitchMm: 4, stitchGapMm: 4, depthShare: 1, bandCm: 1 } },
    })
    const odd = asOne(plan) as FaltoPlan
    for (const { placement } of odd.variants[0]!.stages[0]!.zones) placement.take.saturation = 1
    expect(computeStages(upgradePlan(odd)).grams).toEqual(computeStages(plan).grams)
    for (const { placement } of odd.variants[0]!.stages[0]!.zones) placement.take.kind = 'painted'
    expect(upgradePlan(odd).variants[0]!.stages[0]!.zones[0]!.placement.take.saturation).toBe(1)
  })

  it('is left alone where it is none, and where it is of this version', () => {
    const plan = planWith()
    expect(upgradePlan(plan)).toBe(plan)
    for (const entry of [null, 7, 'text', { schemaVersion: 1 }, { format: 'falto-plan', schemaVersion: 1 }])
      expect(upgradePlan(entry)).toBe(entry)
    const broken = { format: 'falto-plan', schemaVersion: 1, variants: [null, { stages: 3 }, { stages: [null, {}] }] }
    expect(() => upgradePlan(broken)).not.toThrow()
  })

  it('sections of a salon’s own lose what they kept for later', () => {
    const { layout, zones } = planWith().variants[0]!.stages[0]!
    const [first] = zones
    const odd = {
      layout,
      zones: [{ ...first!, placement: { ...first!.placement, take: { ...first!.placement.take, saturation: 1 } } }],
    }
    expect(upgradeSections(odd).zones[0]!.placement).toEqual(first!.placement)
  })
})
