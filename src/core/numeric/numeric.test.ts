import fc from 'fast-check'
import { between, bisect, foldTurn, memoised, readAlong, sameElements, withinTurn, type Reading } from '.'

const finite = fc.double({ min: -50, max: 50, noNaN: true })

describe('numbers', () => {
  it('finds the root of a rising function, and the nearer bound where there is none', () => {
    expect(bisect((x) => x ** 3 - 2, 0, 5)).toBeCloseTo(Math.cbrt(2), 12)
    expect(bisect((x) => x + 10, 0, 5)).toBeCloseTo(0, 12)
    expect(bisect((x) => x - 10, 0, 5)).toBeCloseTo(5, 12)
  })

  it('tells lists apart by what stands where in them, and by how much', () => {
    expect(sameElements([1, 2, 3], Int32Array.of(1, 2, 3))).toBe(true)
    expect(sameElements([], [])).toBe(true)
    expect(sameElements([1, 2, 3], [1, 3, 2])).toBe(false)
    expect(sameElements([1, 2], [1, 2, 3])).toBe(false)
    expect(sameElements([1, 2, 3], [1, 2])).toBe(false)
    expect(sameElements([{}], [{}])).toBe(false)
  })

  it('answers the same question once, whatever the answer', () => {
    const answer = jest.fn((question: number) => (question > 0 ? { question } : null))
    const known = memoised(answer)
    expect(known(1)).toBe(known(1))
    expect([known(0), known(0), known(2)]).toEqual([null, null, { question: 2 }])
    expect(answer.mock.calls).toEqual([[1], [0], [2]])
  })

  it('reads a table at its points as they stand, between them along the line, and beyond them as its ends', () => {
    const table: Reading[] = [
      [0, 1],
      [2, 5],
      [3, 4],
    ]
    for (const [x, y] of table) expect(readAlong(table, x)).toBe(y)
    expect(readAlong(table, 0.5)).toBe(2)
    expect(readAlong(table, 2.5)).toBe(4.5)
    expect(readAlong(table, -9)).toBe(1)
    expect(readAlong(table, 9)).toBe(4)
  })

  it('goes from one value to another', () => {
    expect([0, 0.25, 1].map((share) => between(4, 8, share))).toEqual([4, 5, 8])
  })

  it('folds angles about the line of symmetry: the same on both sides and after any number of turns', () => {
    fc.assert(
      fc.property(finite, fc.integer({ min: -3, max: 3 }), (angle, turns) => {
        const folded = foldTurn(angle)
        expect(folded).toBeGreaterThanOrEqual(0)
        expect(folded).toBeLessThanOrEqual(Math.PI)
        expect(Math.cos(folded)).toBeCloseTo(Math.cos(angle), 9)
        expect(foldTurn(-angle)).toBeCloseTo(folded, 9)
        expect(foldTurn(angle + 2 * Math.PI * turns)).toBeCloseTo(folded, 9)
      }),
    )
  })

  it('brings angles into one turn without moving them', () => {
    fc.assert(
      fc.property(finite, (angle) => {
        const turn = withinTurn(angle)
        expect(turn).toBeGreaterThanOrEqual(0)
        expect(turn).toBeLessThanOrEqual(2 * Math.PI)
        expect(Math.sin(turn)).toBeCloseTo(Math.sin(angle), 9)
        expect(Math.cos(turn)).toBeCloseTo(Math.cos(angle), 9)
      }),
    )
  })
})
