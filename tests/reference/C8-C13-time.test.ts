import { HALF_LIFE_WASHES, mainStrand, predictCanvas } from '@/core/hair/hairRecord'
import { CONTRAST_LEVELS, UPKEEP_WEEKS } from '@/core/judgement/feasibility'
import { band, canvasWith } from '../support/canvas'
import { MEDIUM_HAIR } from '../support/plan'

describe('C13. on-scalp blonde is retouched every 3–4 weeks, glossed rooted work every 6–12 (common practice, no source)', () => {
  it('carries a design to the scalp 3–4 weeks, a rooted one and a soft one within 6–12', () => {
    expect(UPKEEP_WEEKS.toScalp).toEqual({ low: 3, high: 4 })
    expect(UPKEEP_WEEKS.rooted.low).toBeGreaterThanOrEqual(6)
    expect(UPKEEP_WEEKS.melt.high).toBeLessThanOrEqual(12)
    expect(UPKEEP_WEEKS.melt.low).toBeGreaterThanOrEqual(UPKEEP_WEEKS.rooted.low)
  })
})

describe('C12. subtle dimension: the second shade 2–3 levels from the first (common practice, no source)', () => {
  it('is what subtle means', () => {
    expect(CONTRAST_LEVELS.subtle).toEqual({ low: 2, high: 3 })
  })
})

/**
 * Ten weeks: 70 days at 396 ± 55 µm a day are 2.8 ± 0.4 cm (Loussouarn et al. 2001, from memory); half an inch a month
 * gives 2.9 cm.
 */
describe('ten weeks after a record', () => {
  const glossed = band(0, 30, {
    level: 8,
    hue: 'ash',
    strength: 0.8,
    beneathLevel: 9,
    treatments: [{ kind: 'lightened' }, { kind: 'demi' }],
  })
  const later = (washesPerWeek: number) =>
    mainStrand(
      predictCanvas(canvasWith([glossed], '2026-09-15'), { ...MEDIUM_HAIR, washesPerWeek }, { on: '2026-11-24' }),
      'all',
    ).bands

  it('there are 2.4–3.2 cm of virgin root at the natural level', () => {
    const [root] = later(3)
    expect(root).toMatchObject({ level: MEDIUM_HAIR.naturalLevel, treatments: [] })
    expect(root!.toCm).toBeGreaterThan(2.4)
    expect(root!.toCm).toBeLessThan(3.2)
  })

  it('an ash gloss washed three times a week has given way to the warmth beneath (a gloss lasts about 24 washes: common practice)', () => {
    expect(HALF_LIFE_WASHES.demi! * 2).toBe(24)
    const [, length] = later(3)
    expect(length!.hue).toBe('gold')
    expect(length!.level).toBeGreaterThan(8)
    expect(length!.level).toBeLessThanOrEqual(9)
  })

  it('and washed once a fortnight it is still ash', () => {
    const [, length] = later(0.5)
    expect(length!.hue).toBe('ash')
    expect(length!.strength).toBeGreaterThan(0.4)
  })
})
