import type { Band, Canvas, Population } from '../../model'
import { band, canvasWith } from '../../../../tests/support/canvas'
import { apparentLevel } from '../colour'
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
    const { strands, cells } = mergeAlike(wide)
    expect(strands).toHaveLength(100)
    expect(strands.at(-1)!.bands[0]!.level - strands[0]!.bands[0]!.level).toBeGreaterThan(7)
    // Each is like the next, and yet no row of them becomes one.
    const levels = new Map(strands.map(({ id, bands }) => [id, bands[0]!.level]))
    const moved = cells.map(({ populations }, i) => Math.abs(levels.get(populations[0]!.strandId)! - (1 + i / 24)))
    expect(Math.max(...moved)).toBeLessThan(4 / 24)
  })

  it('counts as unlike what is seen, what was done and what is missing', () => {
    const apart = (one: Partial<Band>, other: Partial<Band>) => strandDistance([band(0, 30, one)], [band(0, 30, other)])
    expect(apart({}, {})).toBe(0)
    expect(apart({ level: 5 }, { level: 7 })).toBeCloseTo(2, 9)
    expect(apart({}, { treatments: [{ kind: 'lightened' }] })).toBeCloseTo(1, 9)
    expect(apart({ hue: 'gold', strength: 0.5 }, { hue: 'copper', strength: 0.5 })).toBeCloseTo(0.5, 1)
    expect(strandDistance([band(0, 30)], [band(0, 15)])).toBeCloseTo(0.5, 9)
  })

  it('counts another hue as far as the stronger one is seen, and what was done whenever it was', () => {
    const apart = (one: Partial<Band>, other: Partial<Band>) => strandDistance([band(0, 30, one)], [band(0, 30, other)])
    const [gold, copper] = [{ hue: 'gold', strength: 0.8 } as const, { hue: 'copper', strength: 0.2 } as const]
    const seen = Math.abs(apparentLevel(5, 'gold', 0.8) - apparentLevel(5, 'copper', 0.2))
    expect(apart(gold, copper)).toBeCloseTo(seen + 0.8, 9)
    expect(apart(gold, gold)).toBe(0)
    const [demi, lightened] = [{ kind: 'demi' } as const, { kind: 'lightened' } as const]
    expect(apart({ treatments: [demi, lightened] }, { treatments: [lightened, demi, demi] })).toBe(0)
  })

  it('compares strands where they lie beside each other, whichever of their bands ends first', () => {
    const [one, other] = [
      [band(0, 10, { level: 4 }), band(10, 24, { level: 8 }), band(24, 30, { level: 9 })],
      [band(0, 20, { level: 4 }), band(20, 24, { level: 6 }), band(24, 30, { level: 9 })],
    ]
    // 10 cm that are four levels apart, then 4 cm that are two.
    expect(strandDistance(one, other)).toBeCloseTo((10 * 4 + 4 * 2) / 30, 9)
    expect(strandDistance(other, one)).toBeCloseTo((10 * 4 + 4 * 2) / 30, 9)
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

  /** Every cell with the same kinds of hair: their level, share and white. */
  const everywhere = (kinds: readonly (readonly [level: number, share: number, white?: number])[]): Canvas => ({
    recordedOn: '2026-09-15',
    strands: kinds.map(([level]) => ({ id: `l${level}`, bands: [band(0, 30, { level })] })),
    cells: SCALP_CELLS.map(() => ({
      populations: kinds.map(([level, share, white = 0]) => ({ strandId: `l${level}`, share, white, sources: [] })),
    })),
  })
  const sharesOf = ({ cells }: Canvas) =>
    Object.fromEntries(cells[0]!.populations.map(({ strandId, share }) => [strandId, share]))

  it('keeps what is just not too rare, and white hair of which half is white apart from the rest', () => {
    const beside = (white: number, share: number, itsWhite: number) => {
      const two = [[4, 1 - share, white] as const, [5, share, itsWhite] as const]
      return Object.keys(sharesOf(mergeAlike(everywhere(two))))
    }
    expect(beside(0, 0.005, 0)).toEqual(['l4', 'l5'])
    expect(beside(0, 0.004, 0.5)).toEqual(['l4', 'l5'])
    expect(beside(0, 0.004, 0.49)).toEqual(['l4'])
    expect(beside(1, 0.004, 0.5)).toEqual(['l4'])
  })

  it('joins the two that look most alike first, under the name of the commoner, and none that has gone already', () => {
    // The rarer, the lighter; three are close to each other, two are closer still but one of them is white.
    const levels = Array.from({ length: 26 }, (_, i) => 1 + i / 4)
    levels[11] = levels[10]! + 0.0625
    levels[12] = levels[11] + 0.09375
    levels[21] = levels[20]! + 0.125
    levels[6] = levels[5]! + 0.03125
    const share = (i: number) => (36 - i) / (26 * 23.5)
    const canvas = everywhere(levels.map((level, i) => [level, share(i), i === 6 ? 1 : 0]))
    const shares = sharesOf(mergeAlike({ ...canvas, cells: canvas.cells.map(reversed) }))
    expect(Object.keys(shares)).toHaveLength(24)
    expect(shares[`l${levels[10]}`]).toBeCloseTo(share(10) + share(11), 9)
    expect(shares[`l${levels[12]}`]).toBeCloseTo(share(12), 9)
    expect(shares[`l${levels[20]}`]).toBeCloseTo(share(20) + share(21), 9)
    expect(shares[`l${levels[6]}`]).toBeCloseTo(share(6), 9)
  })
  const reversed = ({ populations }: Canvas['cells'][number]) => ({ populations: populations.toReversed() })

  it('makes strands one of which hardly differs, under the name of the commoner, and never a white one', () => {
    // A strand a cell, besides one that all cells share; two are a hair's breadth apart, two more but for white hair.
    const levels = SCALP_CELLS.map((_, i) => 1 + i / 64)
    levels.splice(0, 2, 12, 12 + 1 / 256)
    levels.splice(6, 2, 13, 13 + 1 / 512)
    const { strands, cells } = mergeAlike({
      recordedOn: '2026-09-15',
      strands: levels.map((level, i) => ({ id: `c${i}`, bands: [band(0, 30, { level })] })),
      cells: SCALP_CELLS.map((_, i) => ({
        populations: [
          { strandId: `c${i}`, share: i === 1 ? 0.75 : 0.625, white: i === 7 ? 0.75 : 0, sources: [] },
          { strandId: 'c20', share: i === 1 ? 0.25 : 0.375, white: 0, sources: [] },
        ],
      })),
    })
    expect(strands).toHaveLength(100)
    const ids = strands.map(({ id }) => id)
    expect(ids).toEqual(expect.arrayContaining(['c1', 'c6', 'c7', 'c20']))
    expect(ids).not.toContain('c0')
    expect(cells[0]!.populations.map(({ strandId }) => strandId)).toEqual(['c1', 'c20'])
    // Neighbours of what all share are called as it is, which is the commonest of all.
    expect(cells[19]!.populations.map(({ strandId }) => strandId)).toEqual(['c20'])
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

  it('joins bands of which little is unlike: a short one beside a long one before two that are like each other', () => {
    const short = [band(0, 9, { level: 5 }), band(9, 9.5, { level: 7 })]
    // From one to the next one and a half levels over a centimetre; between the short band and its neighbours more.
    const rest = Array.from({ length: 19 }, (_, i) => band(9.5 + i, 10.5 + i, { level: i % 2 ? 10.5 : 9 }))
    const few = told([...short, ...rest])
    expect(few).toHaveLength(20)
    expect(few[0]).toMatchObject({ fromCm: 0, toCm: 9.5, level: 5 })
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
