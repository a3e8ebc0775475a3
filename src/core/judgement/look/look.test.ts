import { planWith, type Wanted } from '../../../../tests/support/plan'
import { computePlan } from '../../../../tests/support/planner'

const lookOf = (wanted: Wanted) => computePlan(planWith(wanted)).look
const woven = { kind: 'weave', stitchMm: 4, stitchGapMm: 4 } as const

describe('the look of a plan, in figures', () => {
  it('carries longer where the root is soft: teased and painted takes, or a start well away from the scalp', () => {
    const weeks = (take: Partial<NonNullable<NonNullable<Wanted['placement']>['take']>>, startCm: number) =>
      lookOf({ placement: { startCm, take } }).upkeepWeeks!
    const toTheScalp = weeks(woven, 0)
    // Retouch to the scalp 3–4, rooted 6–8, soft rooted 8–12 weeks (common practice, no source).
    expect(toTheScalp).toEqual({ low: 3, high: 4 })
    const soft = weeks({ kind: 'teased' }, 0)
    expect(soft.low).toBeGreaterThan(toTheScalp.low)
    expect(weeks({ kind: 'painted' }, 0)).toEqual(soft)
    const away = weeks(woven, 6)
    expect(away.low).toBeGreaterThanOrEqual(soft.low)
    expect(away).toEqual({ low: 8, high: 12 })
  })

  it('shares add up, and more hair in the stitch is more light', () => {
    const fine = lookOf({ placement: { take: { ...woven, stitchGapMm: 8 } } })
    const dense = lookOf({ placement: { take: woven } })
    for (const { light, low, left } of [fine, dense]) expect(light + low + left).toBeCloseTo(1, 9)
    expect(dense.light).toBeGreaterThan(1.3 * fine.light)
    expect(dense.low).toBe(0)
  })

  it('is alike on both sides where both are worked alike, and one-sided where one is left', () => {
    expect(lookOf({ placement: { take: woven } }).symmetry).toBeGreaterThan(0.97)
    expect(lookOf({ placement: { take: woven }, only: ['frontLeft', 'backLeft'] }).symmetry).toBeLessThan(0.3)
  })

  it('contrast is the distance to what lies beside it: to the natural hair, or to the low in turn with it', () => {
    const light = lookOf({ placement: { sequence: ['A'] }, hair: { naturalLevel: 6 } })
    expect([light.contrastLevels, light.contrast]).toEqual([3, 'clear'])
    const inTurn = lookOf({ placement: { sequence: ['A', 'B'] }, hair: { naturalLevel: 6 } })
    // The low is a dye on natural hair, so it comes to about its number: within half a level.
    expect(Math.abs(inTurn.contrastLevels - 5)).toBeLessThanOrEqual(0.5)
    expect(inTurn.contrast).toBe('bold')
    expect(lookOf({ placement: { sequence: [] } }).contrast).toBe('none')
  })
})
