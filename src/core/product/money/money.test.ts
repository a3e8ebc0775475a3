import fc from 'fast-check'
import { planFigures } from '../../plan/planner'
import { densePlan } from '../../../../tests/support/samples'
import { billFor, gramPrice, STARTING_RATES } from '.'
import { computePlan } from '../../../../tests/support/planner'

const used = { grams: 100, productCost: 800, bowls: 1, foils: 60, seconds: 5400 }

describe('a bill', () => {
  it('is whole units everywhere, its lines add up, tax comes on top', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 900, noNaN: true }),
        fc.double({ min: 0, max: 9000, noNaN: true }),
        fc.nat(9),
        fc.nat(300),
        fc.integer({ min: 0, max: 30_000 }),
        fc.integer({ min: 0, max: 25 }),
        (grams, productCost, bowls, foils, seconds, taxPercent) => {
          const bill = billFor({ grams, productCost, bowls, foils, seconds }, { ...STARTING_RATES, taxPercent })
          for (const { minor } of [...bill.lines, ...bill.costs]) expect(Number.isInteger(minor)).toBe(true)
          expect(bill.lines.reduce((sum, { minor }) => sum + minor, 0)).toBe(bill.net)
          expect(bill.net + bill.tax).toBe(bill.gross)
          expect(bill.net - bill.cost).toBe(bill.margin)
        },
      ),
    )
  })

  it('charges product and bowls only beyond the allowance', () => {
    const line = (bill: ReturnType<typeof billFor>, at: number) => bill.lines[at]!.minor
    const within = billFor(used, STARTING_RATES)
    expect([line(within, 2), line(within, 3)]).toEqual([0, 0])
    // 60 g over: 60/180 of 1440 × 2.5, and one bowl of 60 g.
    const over = billFor({ ...used, grams: 180, productCost: 1440, bowls: 2 }, STARTING_RATES)
    expect([line(over, 2), line(over, 3)]).toEqual([1200, 900])
  })

  it('charges no more bowls than were mixed, one for every 60 g begun beyond the allowance', () => {
    const extra = (grams: number, bowls: number) =>
      billFor({ ...used, grams, productCost: 0, bowls }, STARTING_RATES).lines[3]!.minor / STARTING_RATES.extraBowlMinor
    expect([extra(120, 5), extra(120.1, 5), extra(180, 5), extra(180.1, 5), extra(400, 2)]).toEqual([0, 1, 1, 2, 2])
  })

  it('costs the walk to the dispensary with every bowl: three minutes of a hand', () => {
    const time = (bowls: number) => billFor({ ...used, bowls }, STARTING_RATES).costs[1]!.minor
    expect(time(3) - time(1)).toBe(Math.round((2 * 3 * STARTING_RATES.hourCostMinor) / 60))
  })

  it('knows no price where none is known', () => {
    expect(gramPrice(undefined)).toBe(0)
    expect(gramPrice({ pack: { grams: 60, priceMinor: 690, densityGPerMl: 1 } })).toBeCloseTo(11.5, 12)
  })
})

describe('a quote', () => {
  it('stands between low and high, and only where the plan has rates', () => {
    const plan = densePlan()
    expect(planFigures(plan, computePlan(plan)).quote).toBeNull()
    plan.rates = STARTING_RATES
    const { low, expected, high, currency } = planFigures(plan, computePlan(plan)).quote!
    expect(currency).toBe('EUR')
    expect(low.gross).toBeLessThan(expected.gross)
    expect(expected.gross).toBeLessThan(high.gross)
  })
})
