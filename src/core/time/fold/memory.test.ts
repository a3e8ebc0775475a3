import type { FaltoPlan, Stage } from '../../model'
import { computeStages } from '../../../../tests/support/planner'
import { visitsOf } from '../../../../tests/support/regular'
import { createFoldMemory, foldPlan, type Fold } from '.'

const visits = [...visitsOf('topAndSides', { weeks: 8, visits: 4, trimmedCm: 0, hair: { lengthCm: 25 } })]
const { plan } = visits.at(-1)!
const folded = (of: FaltoPlan, memory = createFoldMemory()) => foldPlan(of, computeStages(of), { memory })

/** The same plan with another gap between the rows of foils. */
function withGap(of: FaltoPlan, rowGapMm: number): FaltoPlan {
  const variants = of.variants.map((variant) => ({
    ...variant,
    stages: variant.stages.map((stage, i) => ({
      ...stage,
      zones: i > 0 ? stage.zones : stage.zones.map((zone) => ({ ...zone, placement: { ...zone.placement, rowGapMm } })),
    })),
  }))
  return { ...of, variants }
}

/** The same plan after a cut. */
function cutTo(lengthCm: number): FaltoPlan {
  const [variant] = plan.variants
  const [foils, gloss] = variant!.stages
  const cut: Stage = { ...foils!, id: 'cut', kind: 'cut', cut: { lengthCm } }
  return { ...plan, variants: [{ ...variant!, stages: [cut, foils!, gloss!] }] }
}

/** The strands that a fold has in the end. */
const strands = ({ stages }: Fold) => new Set(stages.at(-1)!.flatMap((locks) => locks.map(({ bands }) => bands)))
/** How many strands of one are the very same of the other. */
const inBoth = (one: Fold, other: Fold): number => [...strands(one)].filter((bands) => strands(other).has(bands)).length

describe('what a fold remembers', () => {
  it('is met again by the next fold of the same hair with the same formulas, and changes nothing of it', () => {
    const memory = createFoldMemory()
    const first = folded(plan, memory)
    const wider = withGap(plan, 12)
    const next = folded(wider, memory)
    expect(next.stages).toEqual(folded(wider).stages)
    expect(next.canvas()).toEqual(folded(wider).canvas())
    expect(inBoth(next, first)).toBeGreaterThan(inBoth(folded(wider), first))
    expect(folded(plan, memory).stages).toEqual(first.stages)
  })

  it('has no strand of what a cut leaves as it is', () => {
    const [before, after] = folded(cutTo(60)).stages
    for (const [cell, locks] of after!.entries())
      for (const [i, { bands }] of locks.entries()) expect(bands).toBe(before![cell]![i]!.bands)
  })

  it('has a strand that was cut cut once, in however many folds', () => {
    const short = cutTo(18)
    const memory = createFoldMemory()
    const first = folded(short, memory)
    expect(first.stages[1]!.flat().every(({ bands }) => bands.at(-1)!.toCm <= 18)).toBe(true)
    expect(first.stages).toEqual(folded(short).stages)
    const made = memory.shared!.made()
    expect(made).toBeGreaterThan(strands(first).size / 2)
    expect(inBoth(folded(short, memory), first)).toBe(strands(first).size)
    expect(memory.shared!.made()).toBe(made)
  })

  it.each<[string, FaltoPlan]>([
    ['other formulas', { ...plan, formulas: plan.formulas.map((one) => ({ ...one, liftGoal: 10, level: 10 })) }],
    ['other products', { ...plan, products: plan.products.map((one) => ({ ...one, kind: 'demiColour' as const })) }],
    ['another natural level', { ...plan, hair: { ...plan.hair, naturalLevel: plan.hair.naturalLevel - 2 } }],
    ['another record', { ...plan, canvas: visits.at(-2)!.canvas }],
  ])('is nothing to a fold of %s', (_what, other) => {
    const memory = createFoldMemory()
    const before = folded(plan, memory)
    const after = folded(other, memory)
    expect(after.stages).toEqual(folded(other).stages)
    expect(inBoth(after, before)).toBeLessThanOrEqual(inBoth(folded(other), before))
  })

  it('is nothing where the visit has another name or day', () => {
    const memory = createFoldMemory()
    const computed = computeStages(plan)
    for (const options of [{ visitId: 'one' }, { visitId: 'two' }, { visitId: 'two', on: '2026-01-05' }])
      expect(foldPlan(plan, computed, { ...options, memory }).stages).toEqual(foldPlan(plan, computed, options).stages)
  })

  it('begins anew where hands have dragged a length through more kinds of stretch than it has room for', () => {
    const memory = createFoldMemory()
    const first = folded(plan, memory)
    memory.shared!.made = () => 1e6
    expect(inBoth(folded(plan, memory), first)).toBe(inBoth(folded(plan), first))
  })
})
