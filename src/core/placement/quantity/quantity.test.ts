import fc from 'fast-check'
import { isCompanion, PRODUCT_KINDS } from '../../model'
import { planWith, type Wanted } from '../../../../tests/support/plan'
import { BOWL_RESIDUE_G } from './constants'
import { BOWL_G, combinedSigma, formulaGrams, lengthSlowness, loadFor, rangeOf } from '.'
import { computeStages } from '../../../../tests/support/planner'

const grams = (wanted: Wanted) => computeStages(planWith(wanted)).grams[0]!
const minutes = (wanted: Wanted) => computeStages(planWith(wanted)).handsOn.expected / 60

describe('ranges', () => {
  it('hold the expected value between low and high, and do not shrink by summing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (uncertain, certain) => {
          const sigma = combinedSigma([0.15, 0.16, 0.15, 0.05])
          const range = rangeOf(uncertain, certain, sigma)
          expect(range.low).toBeLessThan(range.expected)
          expect(range.expected).toBeLessThan(range.high)
          expect(range.expected).toBeCloseTo(uncertain + certain, 9)
          const twice = rangeOf(2 * uncertain, 0, sigma)
          expect(twice.high / twice.expected).toBeCloseTo(rangeOf(uncertain, 0, sigma).high / uncertain, 9)
        },
      ),
    )
  })

  it('spread 118 g to about 83–167 g', () => {
    const { low, high } = rangeOf(118, 0, combinedSigma([0.15, 0.16, 0.15, 0.05]))
    expect(Math.abs(low - 83)).toBeLessThan(2)
    expect(Math.abs(high - 167)).toBeLessThan(2)
  })
})

describe('ranges of two things that vary by themselves', () => {
  /**
   * Standard normal draws by Box and Muller (1958) from a linear congruential generator (Park and Miller 1988), so that
   * every run is the same.
   */
  const draws = (count: number): number[] => {
    let state = 1
    const uniform = () => (state = (state * 48271) % 2147483647) / 2147483647
    return Array.from({ length: count }, () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()))
  }

  it.each([
    [85, 33],
    [3.5, 32],
    [300, 40],
  ])('hold eight in ten of %d and %d drawn by chance', (one, rest) => {
    const [sigma, other] = [combinedSigma([0.15, 0.16, 0.15, 0.05]), combinedSigma([0.3])]
    const drawn = draws(80_000)
    const sums = drawn
      .slice(0, 40_000)
      .map((z, i) => one * Math.exp(sigma * z) + rest * Math.exp(other * drawn[40_000 + i]!))
      .sort((a, b) => a - b)
    const { low, high } = rangeOf(one, rest, sigma, other)
    expect(Math.abs(low / sums[4000]! - 1)).toBeLessThan(0.04)
    expect(Math.abs(high / sums[36_000]! - 1)).toBeLessThan(0.04)
  })
})

describe('grams', () => {
  it('grow with length, density, fibre and how much is taken', () => {
    const base = grams({}).range.expected
    expect(grams({ hair: { lengthCm: 45 } }).range.expected).toBeGreaterThan(base)
    expect(grams({ hair: { density: 'high' } }).range.expected).toBeGreaterThan(base)
    expect(grams({ hair: { texture: 'coarse' } }).range.expected).toBeGreaterThan(base)
    expect(grams({ placement: { rowGapMm: 3 } }).range.expected).toBeGreaterThan(base)
    expect(grams({ placement: { startCm: 10 } }).range.expected).toBeLessThan(base)
  })

  it('are in proportion to what was learned about take-up', () => {
    const plan = planWith()
    const before = computeStages(plan).grams[0]!
    plan.learned.load = 1.2
    const after = computeStages(plan).grams[0]!
    expect(after.onHair).toBeCloseTo(1.2 * before.onHair, 9)
    expect(after.edge).toBe(before.edge)
  })

  it('add up: hair, scalp, edges and bowls', () => {
    const { onHair, onScalp, edge, residue, range, bowls } = grams({})
    expect(range.expected).toBeCloseTo(onHair + onScalp + edge + residue, 9)
    expect(residue).toBe(bowls.length * BOWL_RESIDUE_G)
    expect((onHair + edge) / bowls.length).toBeLessThanOrEqual(BOWL_G - BOWL_RESIDUE_G)
  })

  it('are nothing, with no bowl, where a formula is not used', () => {
    expect(formulaGrams('Z', [], { capacity: BOWL_G, workingLife: 1800 })).toMatchObject({
      pieces: 0,
      bowls: [],
      residue: 0,
      range: { low: 0, expected: 0, high: 0 },
    })
  })

  it('fall per gram of hair beyond 45 cm, and not before', () => {
    for (const kind of PRODUCT_KINDS.filter((one) => !isCompanion(one))) {
      expect(loadFor(kind, 20, 'medium')).toBe(loadFor(kind, 45, 'medium'))
      expect(loadFor(kind, 90, 'medium')).toBeLessThan(loadFor(kind, 46, 'medium'))
    }
  })
})

describe('minutes', () => {
  it('grow with the number of foils and with the length of the hair', () => {
    expect(minutes({ placement: { rowGapMm: 0 } })).toBeGreaterThan(1.7 * minutes({}))
    expect(minutes({ hair: { lengthCm: 60 } })).toBeGreaterThan(minutes({}))
    expect(lengthSlowness(30)).toBe(1)
    expect(lengthSlowness(200)).toBe(1.5)
  })

  it('are none where nothing is done', () => {
    expect(minutes({ placement: { sequence: [] } })).toBe(0)
  })
})
