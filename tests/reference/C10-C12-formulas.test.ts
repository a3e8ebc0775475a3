/**
 * C10. Permanent colour on natural hair: 10 vol deposit, 20 vol 1–2 levels, 30 vol 2–3, 40 vol 3–4; it never lifts
 * artificial pigment. C11. Block colour on a chin-length bob: 55–60 g of mix for the perimeter, 30 g for middle panels,
 * 40–45 g for the top are upper bounds (generous). C12. Subtle dimension: second shade 2–3 levels above the first. And
 * what bowl plans should read like (C7, TRADE): double bowls on very long hair, one or two on a retouch, none stale.
 * Kind: common practice, no source.
 */
import type { Formula, Product } from '@/core/model'
import { colourLift, depositOn, dyeOf, lightenedSurface, recipeOf, type Surface } from '@/core/product/formula'
import { planFigures } from '@/core/plan/planner'
import { DEMO_CATALOGUE } from '@/demo'
import { planWith, type Wanted } from '../support/plan'
import { computePlan } from '../support/planner'

const figures = (wanted: Wanted) => {
  const plan = planWith(wanted)
  return planFigures(plan, computePlan(plan))
}

describe('C10', () => {
  it.each([
    [10, 0, 0],
    [20, 1, 2],
    [30, 2, 3],
    [40, 3, 4],
  ])('%i vol lifts natural hair by %i–%i levels', (vol, low, high) => {
    expect(colourLift(vol)).toBeGreaterThanOrEqual(low)
    expect(colourLift(vol)).toBeLessThanOrEqual(high)
  })

  it('no strength lifts a dye', () => {
    const dyed: Surface = { ...lightenedSurface('dyed', 5), state: 'dyed', porosity: 'normal' }
    const on = (vol: number) =>
      depositOn(
        dyed,
        recipeOf(
          {
            id: 'A',
            name: '',
            productId: 'fathom-9-neutral',
            developerVol: vol,
            ratio: 1,
            level: 9,
            tone: 'neutral',
            shades: [{ productId: 'fathom-9-neutral', amount: 1, unit: 'parts' }],
          },
          DEMO_CATALOGUE,
        ).dye!,
      ).level
    expect(on(40)).toBeCloseTo(on(10), 9)
    expect(on(40)).toBeLessThanOrEqual(5)
  })
})

it('C11. block colour on a chin-length bob stays under 60 + 30 + 45 g and is no thimbleful', () => {
  const bob: Wanted['hair'] = { lengthCm: 20, cutLine: 'oneLength' }
  const { grams } = figures({
    hair: bob,
    placement: { take: { kind: 'block' }, subsectionMm: 20, rowGapMm: 0, sequence: ['B'] },
  })
  expect(grams['B']!.expected).toBeLessThan(135)
  expect(grams['B']!.expected).toBeGreaterThan(135 / 4)
})

it.each([
  [2, 'subtle'],
  [2.9, 'subtle'],
  [1, 'barely'],
  [3.5, 'clear'],
])('C12. %d levels between light and low read as %s', (levels, verdict) => {
  const plan = planWith({
    placement: { take: { kind: 'slice' }, rowGapMm: 0, sequence: ['A', 'B'] },
    hair: { naturalLevel: 5 },
  })
  plan.formulas[0]!.level = 5 + levels
  plan.formulas[1]!.level = 5
  expect(planFigures(plan, computePlan(plan)).look.contrast).toBe(verdict)
})

describe('bowls', () => {
  it('of solid slices are double ones on waist-length hair and single ones on shoulder-length hair, none of them stale', () => {
    const full = (lengthCm: number) =>
      figures({
        hair: { lengthCm, density: 'high' },
        placement: { take: { kind: 'slice' }, subsectionMm: 8, rowGapMm: 0 },
      }).mix[0]!.bowls
    const [long, short] = [full(85), full(36)]
    expect(Math.max(...long.map(({ grams }) => grams))).toBeGreaterThan(120)
    expect(Math.max(...short.map(({ grams }) => grams))).toBeLessThanOrEqual(120)
    for (const { ageAtLastMinutes } of [...long, ...short]) expect(ageAtLastMinutes).toBeLessThanOrEqual(30)
  })

  it('of a whole-head retouch are one or two', () => {
    const { bowls } = figures({
      placement: { take: { kind: 'onScalp', bandCm: 1.2 }, subsectionMm: 3, rowGapMm: 0, sequence: ['C'] },
    }).mix.find(({ formulaId }) => formulaId === 'C')!
    expect(bowls.length).toBeLessThanOrEqual(2)
    expect(bowls[0]!.serves).toMatch(/partings/)
  })
})

/**
 * C20. One observed job: silver mixed from 10 and 5 on palest yellow. Kind: common practice, no source; levels ± 0.7.
 * The shades' base is not told; a natural one is taken.
 */
describe('C20: silver from a 10 and a 5 on palest yellow', () => {
  const silver = (level: number): Product => ({
    id: `silver-${level}`,
    name: `Silver ${level}`,
    kind: 'gloss',
    maximumMinutes: 20,
    shade: { level, hue: 'silver', strength: 0.8, base: 'natural', whiteCoverPercent: 25 },
  })
  function mixed(light: number, dark: number) {
    const formula: Formula = {
      id: 'A',
      name: 'Silver',
      productId: 'silver-10',
      developerVol: 7,
      ratio: 1,
      level: 8,
      tone: 'cool',
      shades: [
        { productId: 'silver-10', amount: light, unit: 'parts' },
        { productId: 'silver-5', amount: dark, unit: 'parts' },
      ],
    }
    const recipe = recipeOf(formula, [silver(10), silver(5)])
    return { number: recipe.mixed!.level, looks: depositOn(lightenedSurface('palest yellow', 10), dyeOf(recipe)).level }
  }

  it('reads 7.5 to 8 at 3 : 1', () => {
    const { looks } = mixed(3, 1)
    expect(looks).toBeGreaterThan(7.5 - 0.7)
    expect(looks).toBeLessThan(8 + 0.7)
  })

  it('measures 7.5 at 1 : 1, and looks about a level deeper than its number', () => {
    const { number, looks } = mixed(1, 1)
    expect(number).toBe(7.5)
    expect(Math.abs(looks - 6.5)).toBeLessThan(0.7)
    expect(looks).toBeLessThan(7.5)
  })
})
