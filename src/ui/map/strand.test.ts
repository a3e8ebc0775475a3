import fc from 'fast-check'
import type { RowEntry } from '@/core/model'
import { segmentsOf, shortened, stretchesOf, withEdges, withoutSegment, withStretch } from './strand'

describe('a strand in segments', () => {
  it('is the letter itself where there is one, and nothing where the row is left', () => {
    expect(segmentsOf('A', 2)).toEqual([{ formulaId: 'A', toCm: Infinity }])
    expect(segmentsOf('leave', 0)).toEqual([{ formulaId: undefined, toCm: Infinity }])
  })

  it('shows what stays bare between two stretches and after the last', () => {
    const entry: RowEntry = {
      stretches: [
        { formulaId: 'A', toCm: 6 },
        { formulaId: 'B', fromCm: 8, toCm: 20 },
      ],
    }
    expect(segmentsOf(entry, 0).map(({ formulaId, toCm }) => [formulaId, toCm])).toEqual([
      ['A', 6],
      [undefined, 8],
      ['B', 20],
      [undefined, Infinity],
    ])
  })

  it('comes back as the stretches it was made from', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 4 }), (cm) => {
        const edges = [...cm].sort((a, b) => a - b)
        const segments = [...edges, Infinity].map((toCm, i) => ({ formulaId: 'ABCDE'[i]!, toCm }))
        expect(segmentsOf({ stretches: stretchesOf(segments) }, 0)).toEqual(segments)
      }),
    )
  })

  it('is divided, joined and moved without a stretch running backwards', () => {
    const two = withStretch(segmentsOf('A', 0), 'B', 30)
    expect(two).toEqual([
      { formulaId: 'A', toCm: 15 },
      { formulaId: 'B', toCm: Infinity },
    ])
    expect(withoutSegment(two, 1)).toEqual(segmentsOf('A', 0))
    expect(withoutSegment(two, 0)).toEqual(segmentsOf('B', 0))
    const three = withStretch(two, 'C', 30)
    expect(withEdges(three, [20, 10]).map(({ toCm }) => toCm)).toEqual([20, 20.5, Infinity])
  })

  it('is said as shortly as it can be', () => {
    expect(shortened({ stretches: [{ formulaId: 'A' }] })).toBe('A')
    expect(shortened({ stretches: [] })).toBe('leave')
    expect(shortened({ stretches: [{ formulaId: 'A' }], startCm: 2 })).toEqual({
      stretches: [{ formulaId: 'A' }],
      startCm: 2,
    })
    expect(shortened({ stretches: [{ formulaId: 'A', toCm: 4 }], startCm: undefined })).toMatchObject({
      stretches: [{ formulaId: 'A', toCm: 4 }],
    })
  })
})
