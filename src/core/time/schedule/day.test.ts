import fc from 'fast-check'
import { planWith } from '../../../../tests/support/plan'
import { ALONE, arrivalFor, clockFor, dayFor, visitFor, withHelp, ASSISTANT } from '.'
import { computeStages } from '../../../../tests/support/planner'

const small = planWith({ only: ['frontLeft', 'frontRight'], placement: { rowGapMm: 10 } })
const large = planWith({ placement: { rowGapMm: 9 } })
const visits = Object.fromEntries(
  [['small', small] as const, ['large', large] as const].map(([id, plan]) => [
    id,
    visitFor(plan, computeStages(plan), {}),
  ]),
)
const at = (id: string, arrives: number, plan = id) => ({ id, visit: visits[plan]!, arrives })
const NINE = 9 * 60
const CLOSES = 19 * 60

describe('a day', () => {
  it('of one client is that client’s own clock', () => {
    const clock = clockFor(large, computeStages(large), { crew: ALONE })
    const day = dayFor([at('large', NINE)], ALONE, CLOSES)
    expect(day.visits[0]!.ends - NINE).toBeCloseTo(clock.finish.expected, 3)
    expect(day.visits[0]!.waits).toBeLessThan(0.1)
    expect(day.fits).toBe(true)
  })

  it('asks nobody to do two things at once, uses no basin twice, and begins with nobody before she is there', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 18 }),
        fc.integer({ min: 0, max: 18 }),
        fc.boolean(),
        (early, late, helped) => {
          const arrivals = { one: NINE + 10 * early, two: NINE + 10 * late }
          const crew = helped ? withHelp([ASSISTANT]) : ALONE
          const day = dayFor([at('one', arrivals.one, 'small'), at('two', arrivals.two, 'small')], crew, CLOSES)
          for (const { id } of crew.people) {
            const own = day.tasks.filter(({ personId }) => personId === id)
            own.slice(1).forEach((task, i) => expect(task.from).toBeGreaterThanOrEqual(own[i]!.to - 1e-6))
          }
          const rinses = day.tasks.filter(({ kind }) => kind === 'rinse')
          rinses.slice(1).forEach((task, i) => expect(task.from).toBeGreaterThanOrEqual(rinses[i]!.to - 1e-6))
          for (const { id, begins } of day.visits)
            expect(begins).toBeGreaterThanOrEqual(arrivals[id as 'one' | 'two'] - 1e-6)
          if (day.fits) for (const { over } of day.visits) expect(over).toBeLessThan(1e-6)
        },
      ),
      { numRuns: 6 },
    )
  })

  it('works on one client while the other’s hair sits: two together end sooner than one after the other', () => {
    const one = dayFor([at('small', NINE)], ALONE, CLOSES).ends - NINE
    const both = dayFor([at('one', NINE, 'small'), at('two', NINE, 'small')], ALONE, CLOSES)
    expect(both.fits).toBe(true)
    expect(both.ends - NINE).toBeLessThan(2 * one - 10)
  })

  it('tells of free hands, and that nothing is asked in them', () => {
    const day = dayFor([at('small', NINE)], ALONE, CLOSES)
    expect(day.gaps.length).toBeGreaterThan(0)
    for (const { from, to, personId } of day.gaps)
      expect(
        day.tasks.some((task) => task.personId === personId && task.from < to - 1e-6 && task.to > from + 1e-6),
      ).toBe(false)
  })

  it('does not fit where it would go on after closing', () => {
    expect(dayFor([at('large', 18 * 60)], ALONE, CLOSES).fits).toBe(false)
  })

  it('finds the earliest time for one more: what it finds fits, and a quarter of an hour before does not', () => {
    const others = [at('large', NINE)]
    const found = arrivalFor(others, { id: 'small', visit: visits['small']! }, ALONE, { opens: NINE, closes: CLOSES })!
    expect(found.day.fits).toBe(true)
    if (found.arrives > NINE) {
      const before = dayFor([...others, at('small', found.arrives - 15)], ALONE, CLOSES)
      expect(before.fits && before.visits.every(({ waits }) => waits <= 15)).toBe(false)
    }
    expect(
      arrivalFor(others, { id: 'small', visit: visits['small']! }, ALONE, { opens: NINE, closes: NINE + 60 }),
    ).toBeUndefined()
  })
})
