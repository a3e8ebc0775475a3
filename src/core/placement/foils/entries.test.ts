import fc from 'fast-check'
import type { MapPoint, Placement, RhythmEntry } from '../../model'
import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { defaultPlacement, pieceOutline, takesAll } from '.'

const worked = (placement: Partial<Placement>, plan: object = {}) =>
  computeStages({ ...planWith({ only: ['backLeft'], placement, hair: { lengthCm: 30, cutLine: 'layered' } }), ...plan })
const entry = (...stretches: RhythmEntry['stretches']): RhythmEntry => ({ stretches })
const gramsOf = (computed: ReturnType<typeof worked>) =>
  Object.fromEntries(computed.grams.map(({ formulaId, onHair }) => [formulaId, onHair]))

describe('several formulas in one foil', () => {
  const mix = entry({ formulaId: 'A', toCm: 6 }, { formulaId: 'B', fromCm: 8 })

  it('go on the same hair: as many foils, as much hair taken, one piece more for each', () => {
    const plain = worked({ sequence: ['A'] })
    const both = worked({ sequence: [mix] })
    expect(both.foilCount).toBe(plain.foilCount)
    expect(both.pieces).toHaveLength(2 * plain.pieces.length)
    const [root, ends] = both.pieces
    expect(ends).toMatchObject({ along: root!.id, id: `${root!.id}/s2`, foils: 0, foilLength: 0, cover: 'foil' })
    expect(ends!.takenHairs).toBe(root!.takenHairs)
    expect([root!.fromCm, root!.toCm, ends!.fromCm, ends!.toCm]).toEqual([0, 6, 8, Infinity])
    expect(both.zones.find(({ zoneId }) => zoneId === 'backLeft')!.placement.takenShare).toBeCloseTo(
      plain.zones.find(({ zoneId }) => zoneId === 'backLeft')!.placement.takenShare,
      9,
    )
  })

  it('need together what one formula along the whole strand would, where they leave nothing bare', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 1, max: 8 }), (first, second) => {
        const three = entry(
          { formulaId: 'A', toCm: first },
          { formulaId: 'A', toCm: first + second },
          { formulaId: 'A' },
        )
        expect(gramsOf(worked({ sequence: [three] }))['A']).toBeCloseTo(gramsOf(worked({ sequence: ['A'] }))['A']!, 6)
      }),
      { numRuns: 12 },
    )
  })

  it('leave bare what lies between them', () => {
    const grams = (from: number) =>
      gramsOf(worked({ sequence: [entry({ formulaId: 'A', toCm: 6 }, { formulaId: 'A', fromCm: from })] }))['A']!
    expect(grams(6)).toBeGreaterThan(grams(8))
    expect(grams(8)).toBeGreaterThan(grams(12))
  })
})

it('a formula that comes twice along a strand is counted once', () => {
  const twice = entry({ formulaId: 'A', toCm: 4 }, { formulaId: 'B', toCm: 8 }, { formulaId: 'A' })
  const { shareByFormula } = worked({ sequence: [twice] })
  expect(shareByFormula['A']).toBeCloseTo(shareByFormula['B']!, 9)
  expect(shareByFormula['A']).toBeCloseTo(worked({ sequence: ['A'] }).shareByFormula['A']!, 9)
})

describe('rows of a rhythm', () => {
  const kinds = (sequence: Placement['sequence'], rest: Partial<Placement> = {}) => {
    const rows = new Map<number, string>()
    for (const { row, take, cover, select, fromCm } of worked({ sequence, ...rest }).pieces)
      rows.set(row, `${take.kind} ${cover} ${select} ${fromCm}`)
    return [...rows.values()]
  }
  const teased: RhythmEntry = {
    ...entry({ formulaId: 'A' }),
    take: { ...defaultPlacement().take, kind: 'teased' },
    startCm: 5,
  }

  it('have takes, starts, covers and selections of their own, and the zone’s where they say nothing', () => {
    const rows = kinds(['A', teased, 'leave', { ...entry({ formulaId: 'A' }), cover: 'film', select: 'notEarlier' }])
    expect(rows.slice(0, 3)).toEqual(['weave foil all 0', 'teased foil all 5', 'weave film notEarlier 0'])
  })

  it('take what their own take says', () => {
    const share = (sequence: Placement['sequence']) => worked({ sequence }).shareByFormula['A']!
    expect(share([teased])).toBeGreaterThan(share(['A']))
    expect(share(['A', teased])).toBeGreaterThan(share(['A']))
    expect(share(['A', teased])).toBeLessThan(share([teased]))
  })

  it('take everything only where every one does', () => {
    const whole = { ...defaultPlacement(), rowGapMm: 0, take: { ...defaultPlacement().take, kind: 'slice' as const } }
    expect(takesAll({ ...whole, sequence: ['A', entry({ formulaId: 'B', toCm: 4 })] })).toBe(true)
    expect(takesAll({ ...whole, sequence: ['A', teased] })).toBe(false)
    expect(takesAll({ ...whole, sequence: ['A', entry()] })).toBe(false)
    expect(takesAll({ ...whole, sequence: ['A'], panel: { widthCm: 2, take: 'leave', rest: 'same' } })).toBe(false)
    expect(takesAll({ ...whole, sequence: ['A'], rowGapMm: 4 })).toBe(false)
    expect(takesAll({ ...whole, sequence: ['A'], rowGapMm: 4, onePanel: true })).toBe(true)
  })
})

describe('a section', () => {
  it('as one panel is one row, and all of its scalp', () => {
    const panel = worked({ onePanel: true, take: { ...defaultPlacement().take, kind: 'block' }, sequence: ['A'] })
    const zone = panel.zones.find(({ zoneId }) => zoneId === 'backLeft')!
    expect(zone.placement.rowCount).toBe(1)
    expect(zone.placement.takenShare).toBeGreaterThan(0.97)
  })

  it('can leave the hairline end of every row', () => {
    const zone = (panel: Placement['panel']) => worked({ sequence: ['A'], rowGapMm: 0, ...(panel && { panel }) })
    const left = zone({ widthCm: 2, take: 'leave', rest: 'same' })
    const width = (computed: ReturnType<typeof worked>) => computed.pieces.reduce((sum, piece) => sum + piece.width, 0)
    const rows = new Set(left.pieces.map(({ row }) => row)).size
    const spared = (width(zone(undefined)) - width(left)) / rows
    // A row that the zone's shape cuts in two has two hairline ends.
    expect(spared).toBeGreaterThan(1.8)
    expect(spared).toBeLessThan(3)
  })

  it('is soaked more or less: half of the usual at the least, half as much again at the most', () => {
    const grams = (saturation?: number) =>
      gramsOf(
        worked({
          sequence: ['A'],
          take: { ...defaultPlacement().take, ...(saturation !== undefined && { saturation }) },
        }),
      )['A']!
    expect(grams(0) / grams()).toBeCloseTo(0.5, 6)
    expect(grams(0.5) / grams()).toBeCloseTo(1, 6)
    expect(grams(1) / grams()).toBeCloseTo(1.5, 6)
  })

  it('lets saturation and reach change over it', () => {
    const pieces = worked({
      sequence: ['A'],
      upToCm: 4,
      ramps: [
        { figure: 'upToCm', way: 'upwards', to: 12 },
        { figure: 'saturation', way: 'upwards', to: 1 },
      ],
    }).pieces
    const rising = (values: number[]) => values.every((value, i) => i === 0 || value >= values[i - 1]!)
    const byRow = [...pieces].sort((a, b) => a.row - b.row)
    expect(rising(byRow.map(({ toCm }) => toCm))).toBe(true)
    expect(byRow.at(-1)!.toCm - byRow[0]!.toCm).toBeGreaterThan(4)
    expect(rising(byRow.map(({ take }) => take.saturation!))).toBe(true)
  })

  it('is back-combed before whatever is taken: less of it, later along the strand', () => {
    const share = (teased: boolean) =>
      worked({ sequence: ['A'], take: { ...defaultPlacement().take, teased } }).shareByFormula['A']!
    expect(share(true) / share(false)).toBeCloseTo(0.6, 6)
  })

  it('has partings that zigzag about where they would run', () => {
    const outline = (zigzagMm: number) => pieceOutline(worked({ sequence: ['A'], zigzagMm }).pieces[2]!)
    const around = (points: MapPoint[]) =>
      points.reduce((sum, { x, y }, i) => sum + Math.hypot(x - points.at(i - 1)!.x, y - points.at(i - 1)!.y), 0)
    expect(around(outline(4))).toBeGreaterThan(1.02 * around(outline(0)))
    const middle = (points: MapPoint[]) => points.reduce((sum, { y }) => sum + y, 0) / points.length
    expect(Math.abs(middle(outline(4)) - middle(outline(0)))).toBeLessThan(1)
  })
})

describe('foils of the salon', () => {
  const foils = { widthCm: 8, lengthsCm: [20, 28] }

  it('are as wide as they are: narrower ones, more of them', () => {
    expect(worked({ sequence: ['A'] }, { foils }).foilCount).toBeGreaterThan(worked({ sequence: ['A'] }).foilCount)
    for (const { width } of worked({ sequence: ['A'], bricklay: false }, { foils }).pieces)
      expect(width).toBeLessThanOrEqual(8 * (14 / 12.5) + 1e-9)
  })

  it('come in lengths: the shortest that is long enough, and a second one where none is', () => {
    for (const { hairLength, foilLength, foils: count } of worked({ sequence: ['A'] }, { foils }).pieces) {
      expect(foilLength).toBe(hairLength + 2 <= 20 ? 20 : 28)
      expect(count).toBe(hairLength + 2 > 28 ? 2 : 1)
    }
  })

  it('lie double where that is wished', () => {
    expect(worked({ sequence: ['A'], secondFoil: true }).foilCount).toBe(2 * worked({ sequence: ['A'] }).foilCount)
  })
})
