import type { Band, Canvas, Population } from '../../model'
import { band, canvasWith } from '../../../../tests/support/canvas'
import { mergeAlike, SCALP_CELLS, strandDistance, strandLength, tidy } from '.'

describe('a crowded record', () => {
  /** Cells of so many kinds of hair, each a level of its own; the rarest is the only white one. */
  const crowded = (kinds: number, white: number): Canvas => ({
    recordedOn: '2026-09-15',
    strands: Array.from({ length: kinds }, (_, i) => ({
      id: `k${i}`,
      bands: [band(0, 30, { level: 1 + (9 * i) / kinds })],
    })),
    cells: SCALP_CELLS.map(() => ({
      populations: Array.from({ length: kinds }, (_, i) => ({
        strandId: `k${i}`,
        share: (2 * (kinds - i)) / (kinds * (kinds + 1)),
        white: i === kinds - 1 ? white : 0,
        sources: [`v/${i}`],
      })),
    })),
  })

  it('keeps as many kinds in a cell as five stages need, and makes the most alike one', () => {
    const { cells, strands } = mergeAlike(crowded(26, 0))
    expect(cells[0]!.populations).toHaveLength(24)
    expect(cells[0]!.populations.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
    // Neighbours in level join; the ends of the scale stay.
    expect(strands.some(({ id }) => id === 'k0')).toBe(true)
  })

  it('never loses white hair, however rare, and never the rarest into the commonest', () => {
    const thinned = mergeAlike(crowded(40, 1))
    const white = thinned.cells[0]!.populations.filter((one) => one.white > 0)
    expect(white).toEqual([expect.objectContaining({ strandId: 'k39', white: 1 })])
    const levels = thinned.strands.map(({ bands }) => bands[0]!.level)
    expect(Math.max(...levels) - Math.min(...levels)).toBeGreaterThan(8)
  })

  it('has at most a hundred kinds of strand', () => {
    const many = crowded(20, 0)
    const wide: Canvas = {
      ...many,
      strands: SCALP_CELLS.map((_, i) => ({ id: `c${i}`, bands: [band(0, 30, { level: 1 + i / 24 })] })),
      cells: SCALP_CELLS.map((_, i) => ({ populations: [{ strandId: `c${i}`, share: 1, white: 0, sources: [] }] })),
    }
    const { strands } = mergeAlike(wide)
    expect(strands).toHaveLength(100)
    expect(strands.at(-1)!.bands[0]!.level - strands[0]!.bands[0]!.level).toBeGreaterThan(7)
  })

  it('counts as unlike what is seen, what was done and what is missing', () => {
    const apart = (one: Partial<Band>, other: Partial<Band>) => strandDistance([band(0, 30, one)], [band(0, 30, other)])
    expect(apart({}, {})).toBe(0)
    expect(apart({ level: 5 }, { level: 7 })).toBeCloseTo(2, 9)
    expect(apart({}, { treatments: [{ kind: 'lightened' }] })).toBeCloseTo(1, 9)
    expect(apart({ hue: 'gold', strength: 0.5 }, { hue: 'copper', strength: 0.5 })).toBeCloseTo(0.5, 1)
    expect(strandDistance([band(0, 30)], [band(0, 15)])).toBeCloseTo(0.5, 9)
  })

  it('joins what is rarer than two or three hairs to what looks most like it, but never the only white hair', () => {
    const rare = (level: number, share: number, white = 0): [Band, Population] => [
      band(0, 30, { level }),
      { strandId: `l${level}`, share, white, sources: [] },
    ]
    const kinds = [rare(4, 0.6), rare(9, 0.388), rare(8, 0.004), rare(6, 0.004), rare(7, 0.003), rare(11, 0.001, 1)]
    const { cells, strands } = mergeAlike({
      recordedOn: '2026-09-15',
      strands: kinds.map(([bands, { strandId }]) => ({ id: strandId, bands: [bands] })),
      cells: SCALP_CELLS.map(() => ({ populations: kinds.map(([, population]) => population) })),
    })
    // 7 joins 8, the first of the two that are as near, which with it comes to enough to be told; 6 joins 4.
    const shares = Object.fromEntries(cells[0]!.populations.map(({ strandId, share }) => [strandId, share]))
    expect(Object.keys(shares)).toEqual(['l4', 'l9', 'l8', 'l11'])
    expect(shares['l4']).toBeCloseTo(0.604, 9)
    expect(shares['l8']).toBeCloseTo(0.007, 9)
    expect(shares['l11']).toBe(0.001)
    expect(strands.map(({ id }) => id)).toEqual(['l4', 'l9', 'l8', 'l11'])
  })
})

describe('a long strand', () => {
  const told = (bands: Band[]) => mergeAlike(canvasWith(bands)).strands[0]!.bands

  it('is told in twenty bands, of which those are longer that were least unlike', () => {
    const levels = [5, 5.25, ...Array.from({ length: 22 }, (_, i) => 6 + (i % 2) * 3), 2]
    const many = levels.map((level, i) => band(i, i + 1, { level }))
    const few = told(many)
    expect(few).toHaveLength(20)
    expect(strandLength(few)).toBe(levels.length)
    expect(few[0]).toMatchObject({ fromCm: 0, toCm: 3, level: 5 })
    expect(few.at(-1)).toMatchObject({ level: 2 })
    expect(told(many.slice(0, 20))).toEqual(many.slice(0, 20))
  })

  it('names its last visit only, and no more mixes of it than a record takes', () => {
    const mixes = Array.from({ length: 14 }, (_, i) => `b/${i}`)
    const canvas: Canvas = {
      ...canvasWith([band(0, 30)]),
      cells: SCALP_CELLS.map(() => ({
        populations: [
          { strandId: 'one', share: 0.5, white: 0, sources: ['a/A', 'b/A', 'b/B'] },
          { strandId: 'one', share: 0.25, white: 0, sources: ['b/A', 'b/B'] },
          { strandId: 'one', share: 0.25, white: 0, sources: mixes },
        ],
      })),
    }
    expect(tidy(canvas).cells[0]!.populations).toEqual([
      { strandId: 'one', share: 0.75, white: 0, sources: ['b/A', 'b/B'] },
      { strandId: 'one', share: 0.25, white: 0, sources: mixes.slice(2) },
    ])
  })
})
