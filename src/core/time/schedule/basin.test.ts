import { servicePlan } from '../../../../tests/support/samples'
import { computeStages } from '../../../../tests/support/planner'
import { ALONE, clockFor, type ClockOptions } from '.'

const clockOf = (id: string, options: Partial<ClockOptions> = {}) => {
  const plan = servicePlan(id)
  return clockFor(plan, computeStages(plan), { crew: ALONE, ...options })
}
const secondsOf = (clock: ReturnType<typeof clockOf>, kind: string) =>
  clock.visit.tasks.reduce((sum, task) => (task.kind === kind ? sum + task.seconds : sum), 0)

describe('foils stripped at the basin', () => {
  it('are those that can wait for it; they take less of anybody’s time, and no label’s longest time is passed', () => {
    for (const id of ['hairlineAndPart', 'topAndSides', 'foilRetouch', 'scalpToTip']) {
      const [chair, basin] = [clockOf(id), clockOf(id, { foils: 'basin' })]
      expect(basin.fits).toBe(true)
      expect(secondsOf(basin, 'takeOut')).toBeLessThan(secondsOf(chair, 'takeOut'))
      // A foil is a quarter of a minute at the chair, a few seconds at the basin (common practice: 3–6 min a head).
      const moved = secondsOf(chair, 'takeOut') - secondsOf(basin, 'takeOut')
      const stripped = secondsOf(basin, 'rinse') - secondsOf(chair, 'rinse')
      expect(stripped).toBeCloseTo((4 / 15) * moved, 6)
    }
  })

  it('may be those that come short of their goal, which then still have most of the label’s time', () => {
    const plan = servicePlan('hairlineAndPart')
    plan.hair.naturalLevel = 3
    plan.hair.lengthCm = 60
    const computed = computeStages(plan)
    const clock = clockFor(plan, computed, { crew: ALONE, foils: 'basin' })
    const chair = clockFor(plan, computed, { crew: ALONE })
    expect(clock.zones.some(({ short }) => short > 0)).toBe(true)
    expect(clock.fits).toBe(true)
    expect(secondsOf(clock, 'takeOut')).toBeLessThan(secondsOf(chair, 'takeOut') / 2)
    for (const { curve, lastOn, firstOut } of clock.zones)
      if (curve.length > 0) expect(firstOut - lastOn).toBeGreaterThan(0.75 * 50)
  })

  it('come out at the chair where the first would be over its time before the last is ready', () => {
    const long = clockOf('fullBabylights', { foils: 'basin' })
    expect(secondsOf(long, 'takeOut')).toBeGreaterThan(0)
    expect(long.fits).toBe(true)
  })

  it('are all stripped in the rinse of their own section where each is rinsed for itself', () => {
    const { visit, fits } = clockOf('topAndSides', { foils: 'basin', rinse: 'bySection' })
    expect(fits).toBe(true)
    expect(visit.tasks.some(({ kind }) => kind === 'takeOut')).toBe(false)
    const sections = visit.tasks.filter(({ kind, stageId }) => kind === 'apply' && stageId === 'stage-1')
    expect(
      visit.tasks.filter(({ id }) => id.split('/').length > 2 && id.startsWith('rinse/')).length,
    ).toBeGreaterThanOrEqual(sections.length)
  })
})

describe('colour that comes off before its time', () => {
  it('is told where something that shares its rinse has to come off sooner', () => {
    // With its foils stripped there, the base under them is rinsed when the first foil has to be out.
    const { zones, visit } = clockOf('baseUnderFoils', { foils: 'basin' })
    const short = zones.filter((zone) => zone.cutShort > 1)
    expect(short.length).toBeGreaterThan(0)
    const rinses = visit.tasks.filter(({ kind }) => kind === 'rinse')
    for (const { curve, stageId } of short) {
      expect(curve).toEqual([])
      expect(rinses.some((rinse) => rinse.stageId === stageId)).toBe(true)
    }
  })
})
