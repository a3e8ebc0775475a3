import fc from 'fast-check'
import { BOWL_G, BOWL_RESIDUE_G, bowlCapacity, LONG_BOWL_G, planBowls, type BowlUse } from '.'

/** Work in turn: so many pieces of some grams and seconds in each of some stages. */
const anyUses = fc
  .array(
    fc.array(
      fc.record({
        grams: fc.double({ min: 0.1, max: 20, noNaN: true }),
        seconds: fc.double({ min: 1, max: 120, noNaN: true }),
      }),
      { minLength: 1, maxLength: 40 },
    ),
    { minLength: 1, maxLength: 3 },
  )
  .map((stages) => {
    let piece = 0
    return stages.flatMap((pieces, stage) => {
      let at = 0
      return pieces.map(({ grams, seconds }): BowlUse => {
        const from = at
        at += seconds
        return { stage, piece: piece++, grams, from, to: at }
      })
    })
  })
const rules = { capacity: BOWL_G, workingLife: 1800 }
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)

describe('bowls', () => {
  it('serve every application once and in turn, never stale, never overfull, and hold what is applied', () => {
    fc.assert(
      fc.property(anyUses, fc.option(fc.integer({ min: 1, max: 9 }), { nil: undefined }), (uses, chosen) => {
        const bowls = planBowls(uses, { ...rules, chosen })
        expect(sum(bowls.map(({ pieces }) => pieces))).toBe(uses.length)
        expect(sum(bowls.map(({ applied }) => applied))).toBeCloseTo(sum(uses.map(({ grams }) => grams)), 6)
        let next = 0
        for (const { stage, first, last, from, to, applied, pieces } of bowls) {
          expect(first).toBe(next)
          next = last + 1
          expect(uses.slice(first, last + 1).every((use) => use.stage === stage)).toBe(true)
          expect(to - from <= rules.workingLife || pieces === 1).toBe(true)
          expect(applied).toBeLessThanOrEqual((chosen === undefined ? BOWL_G : LONG_BOWL_G) - BOWL_RESIDUE_G + 1e-6)
        }
      }),
    )
  })

  it('are as few as trying every division finds', () => {
    fc.assert(
      fc.property(anyUses, (uses) => {
        const one = uses.filter(({ stage }) => stage === 0).slice(0, 9)
        const fits = (part: readonly BowlUse[]) =>
          part.length === 1 ||
          (sum(part.map(({ grams }) => grams)) <= BOWL_G - BOWL_RESIDUE_G && part.at(-1)!.to - part[0]!.from <= 300)
        const least = (at: number): number =>
          at === one.length
            ? 0
            : Math.min(
                ...one.slice(at).flatMap((_, n) => (fits(one.slice(at, at + n + 1)) ? [1 + least(at + n + 1)] : [])),
              )
        expect(planBowls(one, { capacity: BOWL_G, workingLife: 300 }).length).toBe(least(0))
      }),
      { numRuns: 60 },
    )
  })

  it('are even: no last spoonful', () => {
    const uses = Array.from({ length: 25 }, (_, piece): BowlUse => ({
      stage: 0,
      piece,
      grams: 5,
      from: 30 * piece,
      to: 30 * (piece + 1),
    }))
    expect(planBowls(uses, rules).map(({ applied }) => applied)).toEqual([65, 60])
    expect(planBowls(uses, { ...rules, chosen: 1 })).toHaveLength(1)
    expect(planBowls(uses, { ...rules, chosen: 4 })).toHaveLength(4)
    expect(planBowls([], rules)).toEqual([])
  })

  it('are double ones on very long hair', () => {
    expect(bowlCapacity(40)).toBe(BOWL_G)
    expect(bowlCapacity(88)).toBe(LONG_BOWL_G)
  })
})
