import { servicePlan } from '../../../../tests/support/samples'
import { computeStages } from '../../../../tests/support/planner'
import { ALONE, clockFor, reappliedBy, visitFor, type Clock } from '.'

/** Regrowth that is lightened on the scalp, open to the air: it dries before it is light. */
const regrowth = servicePlan('onScalpRetouch')
const computed = computeStages(regrowth)
const clock = clockFor(regrowth, computed, { crew: ALONE })
const without = clockFor(regrowth, computed, { crew: ALONE, afresh: false })
const ofKind = ({ tasks }: Clock, kind: string) => tasks.filter((task) => task.kind === kind)
const firstLetter = regrowth.formulas[0]!.id

describe('fresh product over what dries', () => {
  it('goes round every stretch once, in the order in which it was put on, between putting on and the rinse', () => {
    const again = ofKind(clock, 'reapply')
    const put = ofKind(clock, 'apply').filter(({ stageId }) => stageId === again[0]!.stageId)
    expect(again.map(({ id }) => reappliedBy(id))).toEqual(put.map(({ id }) => id))
    const rinse = clock.tasks.find(({ kind, stageId }) => kind === 'rinse' && stageId === again[0]!.stageId)!
    for (const { id, from, to } of again) {
      expect(from).toBeGreaterThanOrEqual(put.find((one) => one.id === reappliedBy(id))!.to - 1e-6)
      expect(to).toBeLessThanOrEqual(rinse.from + 1e-6)
    }
  })

  it('is mixed afresh, once for the round', () => {
    const mixes = ofKind(clock, 'mix').filter(({ about }) => about === `${firstLetter} afresh`)
    expect(mixes).toHaveLength(1)
    expect(mixes[0]!.to).toBeLessThanOrEqual(ofKind(clock, 'reapply')[0]!.from + 1e-6)
  })

  it('takes half as long as the first time', () => {
    const [again] = ofKind(clock, 'reapply')
    const put = visitFor(regrowth, computed, {}).tasks.find(({ id }) => id === reappliedBy(again!.id))!
    const seconds = put.pieces!.reduce((sum, one) => sum + one.seconds, 0)
    expect(60 * (again!.to - again!.from)).toBeCloseTo(seconds / 2, -1)
  })

  it('never slows: every zone comes out as light as without it or lighter, the last stretch by what is seen', () => {
    expect(ofKind(without, 'reapply')).toEqual([])
    const lighter = clock.zones
      .filter(({ formulaId }) => formulaId === firstLetter)
      .map((zone, i) => zone.level.expected - without.zones[i]!.level.expected)
    for (const levels of lighter) expect(levels).toBeGreaterThanOrEqual(-0.01)
    expect(Math.max(...lighter)).toBeGreaterThan(0.25)
  })

  it('does not go over what is closed in foil, nor over colour', () => {
    for (const kind of ['fullBabylights', 'rootColour'] as const) {
      const plan = servicePlan(kind)
      expect(visitFor(plan, computeStages(plan), {}).tasks.some((task) => task.kind === 'reapply')).toBe(false)
    }
  })

  it('gives way where a label’s time would be passed for it', () => {
    const hurried = structuredClone(regrowth)
    const product = hurried.products.find(({ id }) => id === hurried.formulas[0]!.productId)!
    product.maximumMinutes = Math.ceil(without.zones[0]!.lastOut - without.zones[0]!.firstOn) - 16
    const plan = clockFor(hurried, computeStages(hurried), { crew: ALONE })
    const bare = clockFor(hurried, computeStages(hurried), { crew: ALONE, afresh: false })
    expect(plan.conflicts.reduce((sum, { over }) => sum + over, 0)).toBeLessThanOrEqual(
      bare.conflicts.reduce((sum, { over }) => sum + over, 0) + 0.1,
    )
  })

  it('names the task that it goes over, and none for others', () => {
    expect(reappliedBy('reapply/s1/z1/2/1')).toBe('apply/s1/z1/2')
    expect([reappliedBy('apply/s1/z1/2'), reappliedBy('rinse/s1')]).toEqual([undefined, undefined])
  })
})
