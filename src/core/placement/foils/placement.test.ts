import fc from 'fast-check'
import { createHead } from '../../scalp/head'
import { shapeZone } from '../layout'
import {
  byId,
  DIRECTIONS,
  LAYOUT_TEMPLATES,
  LIMITS,
  TAKE_KINDS,
  type Direction,
  type LayoutTemplate,
  type MapPoint,
} from '../../model'
import { planWith, stageOf, type Wanted } from '../../../../tests/support/plan'
import { cutLine, positionAt, reversed, STRIDE } from './polyline'
import { splitRow } from './foils'
import {
  createField,
  FOIL_USABLE_CM,
  ONE_FOIL_ROW_CM,
  pieceOutline,
  pieceStitches,
  polylineLength,
  takenShare,
  TAKE_PRESETS,
  type Piece,
} from '.'
import { computeStages } from '../../../../tests/support/planner'

const head = createHead({ circumferenceCm: 54 })
describe('foils', () => {
  it('are cut two centimetres longer than the hair in them, for the fold', () => {
    for (const startCm of [0, 4])
      for (const { kind, foilLength, hairLength } of computeStages(planWith({ placement: { startCm } })).pieces) {
        expect(kind).toBe('foil')
        expect(foilLength).toBeCloseTo(hairLength - startCm + 2, 9)
      }
  })
})

const foils = (wanted: Wanted) => computeStages(planWith(wanted)).foilCount
const PLANAR = ['horizontal', 'vertical', 'diagonalBack', 'diagonalForward'] as const
const anyDirection = fc.constantFrom(...DIRECTIONS)
const anyTemplate = fc.constantFrom(...LAYOUT_TEMPLATES)

/** A straight polyline in space of a given length, with a point every centimetre. */
function straight(length: number): Float64Array {
  const count = Math.ceil(length) + 1
  const line = new Float64Array(STRIDE * count)
  for (let i = 0; i < count; i++) {
    const at = Math.min(i, length)
    line.set([at, 0, at, 0, 0, 0, 1, at, 190, 30], STRIDE * i)
  }
  return line
}

const sum = (values: number[]) => values.reduce((total, value) => total + value, 0)

describe('rows', () => {
  it('hold the area law: Σ row width × pitch = zone area within 1 %', () => {
    fc.assert(
      fc.property(
        anyTemplate,
        anyDirection,
        fc.integer({ min: 3, max: 10 }),
        fc.integer({ min: 15, max: 70 }),
        (template, direction, subsectionMm, angleDeg) => {
          const { zones } = computeStages(
            planWith({ template, placement: { direction, angleDeg, subsectionMm, rowGapMm: 0 } }),
          )
          for (const { placement, shape } of zones)
            expect(Math.abs((sum(placement.rowWidths) * placement.pitch) / shape.area - 1)).toBeLessThan(0.01)
        },
      ),
      { numRuns: 30 },
    )
  })

  /** Share of zones whose drawn partings miss the area law by more than 1 %, and the worst miss. */
  const misses = (templates: readonly LayoutTemplate[], directions: readonly Direction[]) => {
    const errors: number[] = []
    for (const template of templates)
      for (const direction of directions)
        for (const subsectionMm of [4, 7, 10]) {
          const { zones } = computeStages(planWith({ template, placement: { direction, subsectionMm, rowGapMm: 0 } }))
          for (const { placement, shape } of zones)
            errors.push(Math.abs((sum(placement.rowLineLengths) * placement.pitch) / shape.area - 1))
        }
    return { share: errors.filter((error) => error > 0.01).length / errors.length, worst: Math.max(...errors) }
  }

  it('have partings as long as their strips are wide: Σ line × pitch = area within 1 % on nearly all zones, within 8 % on ragged ones', () => {
    const planar = misses(LAYOUT_TEMPLATES, PLANAR)
    expect(planar.share).toBeLessThan(0.06)
    expect(planar.worst).toBeLessThan(0.08)
  })

  it('that fan out or follow an edge are drawn a little less true, because their partings split and end inside a zone; the hair is counted right', () => {
    expect(misses(LAYOUT_TEMPLATES, ['radial']).worst).toBeLessThan(0.15)
    expect(misses(LAYOUT_TEMPLATES, ['parallel']).worst).toBeLessThan(0.25)
  })

  it('are laid at the asked pitch, give or take what makes a whole number of them', () => {
    fc.assert(
      fc.property(
        anyTemplate,
        anyDirection,
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 0, max: 12 }),
        (template, direction, subsectionMm, rowGapMm) => {
          const { zones } = computeStages(planWith({ template, placement: { direction, subsectionMm, rowGapMm } }))
          for (const { placement, field } of zones) {
            const asked = (subsectionMm + rowGapMm) / 10
            expect(placement.rowCount).toBe(Math.max(1, Math.round(field.extent / asked)))
            expect(placement.pitch * placement.rowCount).toBeCloseTo(field.extent, 9)
          }
        },
      ),
      { numRuns: 30 },
    )
  })

  it('have an even pitch: p5 to p95 within a fifth of the mean on quadrants and strips, for partings that a comb cuts as planes', () => {
    for (const template of ['fourQuadrants', 'topStrip'] as const)
      for (const direction of PLANAR) {
        const { layout, zones } = stageOf(planWith({ template }))
        for (const zone of zones) {
          const shape = shapeZone(head, layout, zone)
          const { spread } = createField(shape, direction, 45)
          expect(spread.p5).toBeGreaterThan(0.8)
          expect(spread.p95).toBeLessThan(1.2)
        }
      }
  })

  it('laid back-to-back are drawn without a gap: one row ends where the next begins, which rows of even thickness do not', () => {
    const { zones } = computeStages(
      planWith({
        placement: {
          direction: 'diagonalBack',
          take: { kind: 'slice' },
          subsectionMm: 8,
          rowGapMm: 0,
          bricklay: false,
        },
      }),
    )
    const gaps = (rest: Partial<Piece>) =>
      zones.flatMap(({ placement: { pieces } }) =>
        pieces.flatMap((piece, i) => {
          const next = pieces[i + 1]
          if (next?.row !== piece.row + 1 || piece.index > 0 || next.index > 0) return []
          const edge = (one: typeof piece, side: 'upper' | 'lower') => {
            const outline = pieceOutline({ ...one, ...rest })
            return side === 'upper' ? outline.slice(0, outline.length / 2) : outline.slice(outline.length / 2)
          }
          const across = edge(next, 'lower')
          return edge(piece, 'upper')
            .slice(2, -2)
            .map((point) => Math.min(...across.slice(1).map((end, k) => toSegment(point, across[k]!, end))))
        }),
      )
    const toSegment = (point: MapPoint, a: MapPoint, b: MapPoint) => {
      const t = Math.min(
        1,
        Math.max(
          0,
          ((point.x - a.x) * (b.x - a.x) + (point.y - a.y) * (b.y - a.y)) / ((b.x - a.x) ** 2 + (b.y - a.y) ** 2),
        ),
      )
      return Math.hypot(a.x + t * (b.x - a.x) - point.x, a.y + t * (b.y - a.y) - point.y)
    }
    // Most of them, not all: where a row goes on and the next has ended there is nothing to meet.
    const most = (list: number[]) => list.sort((a, b) => a - b)[Math.floor(0.8 * list.length)]!
    const [filled, even] = [gaps({}), gaps({ edges: undefined })]
    expect(filled.length).toBeGreaterThan(200)
    expect(most(filled)).toBeLessThan(0.05)
    expect(most(filled)).toBeLessThan(0.6 * most(even))
  })

  it('are level with the floor when horizontal on the back', () => {
    const { zones } = computeStages(planWith({ template: 'topStrip', only: ['back'] }))
    for (const { line } of zones.find(({ zoneId }) => zoneId === 'back')!.placement.pieces) {
      const heights = Array.from({ length: line.length / STRIDE }, (_, i) => line[STRIDE * i + 4]!)
      expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(0.1)
    }
  })

  it('slope down towards the back when diagonal back, and towards the face when diagonal forward', () => {
    const slopeOf = (direction: 'diagonalBack' | 'diagonalForward') => {
      const { pieces } = computeStages(planWith({ template: 'topStrip', only: ['leftSide'], placement: { direction } }))
      const line = pieces[Math.floor(pieces.length / 2)]!.line
      const last = line.length - STRIDE
      return (line[last + 4]! - line[4]!) / (line[last + 3]! - line[3]!) // rise of z towards the face (y)
    }
    expect(slopeOf('diagonalBack')).toBeGreaterThan(0.3)
    expect(slopeOf('diagonalForward')).toBeLessThan(-0.3)
  })
})

describe('foil counts', () => {
  it('double within 15 % when the pitch is halved at zero gap', () => {
    fc.assert(
      fc.property(anyTemplate, anyDirection, fc.integer({ min: 5, max: 10 }), (template, direction, subsectionMm) => {
        const wanted = (mm: number): Wanted => ({
          template,
          placement: { direction, subsectionMm: mm, rowGapMm: 0, bricklay: false },
        })
        const ratio = foils(wanted(subsectionMm / 2)) / foils(wanted(subsectionMm))
        expect(ratio).toBeGreaterThan(2 * 0.85)
        expect(ratio).toBeLessThan(2 * 1.15)
      }),
      { numRuns: 15 },
    )
  })

  it('go with one over the pitch when there are gaps', () => {
    const at = (rowGapMm: number) =>
      foils({ placement: { subsectionMm: 5, rowGapMm, bricklay: false } }) * (5 + rowGapMm)
    const constant = at(5)
    for (const gap of [3, 8, 12, 16]) expect(Math.abs(at(gap) / constant - 1)).toBeLessThan(0.15)
  })

  it('are the same on the other side of the head, and so are the foils', () => {
    const { zones } = computeStages(planWith({ placement: { direction: 'diagonalBack', rowGapMm: 4 } }))
    const of = (id: string) => zones.find(({ zoneId }) => zoneId === id)!.placement.pieces
    for (const part of ['front', 'back']) {
      const left = of(`${part}Left`)
      const right = of(`${part}Right`)
      expect(right.length).toBe(left.length)
      left.forEach((piece, i) => {
        expect(right[i]!.width).toBeCloseTo(piece.width, 1)
        expect(right[i]!.line[2]!).toBeCloseTo(-piece.line[2]!, 1)
        expect(right[i]!.line[4]!).toBeCloseTo(piece.line[4]!, 1)
      })
    }
  })

  it('keep ids when another zone changes', () => {
    const plan = planWith()
    const before = computeStages(plan)
      .pieces.filter(({ zoneId }) => zoneId === 'backLeft')
      .map(({ id }) => id)
    byId(stageOf(plan).zones, 'frontLeft').placement.rowGapMm = 1
    const after = computeStages(plan)
      .pieces.filter(({ zoneId }) => zoneId === 'backLeft')
      .map(({ id }) => id)
    expect(after).toEqual(before)
    expect(new Set(after).size).toBe(after.length)
  })
})

describe('a row longer than a foil', () => {
  it('is split into equal foils that fit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.1, max: 60, noNaN: true }),
        fc.integer({ min: 0, max: 1 }),
        fc.boolean(),
        (width, row, bricklay) => {
          const pieces = splitRow(straight(width), row, bricklay)
          expect(pieces.reduce((sum, piece) => sum + polylineLength(piece), 0)).toBeCloseTo(width, 6)
          for (const piece of pieces)
            expect(polylineLength(piece)).toBeLessThanOrEqual(
              width > ONE_FOIL_ROW_CM ? FOIL_USABLE_CM + 1e-9 : ONE_FOIL_ROW_CM,
            )
        },
      ),
    )
  })

  it('has its joints bricklaid against those of the next row', () => {
    const joints = (row: number) => splitRow(straight(24), row, true).map((piece) => piece[0]!)
    expect(joints(0)).toEqual([0, 12])
    expect(joints(1)).toEqual([0, 6, 18])
    expect(splitRow(straight(24), 1, false).map((piece) => piece[0])).toEqual([0, 12])
  })

  it('is left to its neighbour when there is less than a centimetre of it', () => {
    expect(splitRow(straight(0.9), 0, true)).toEqual([])
  })
})

describe('takes', () => {
  it('take a share from 0 to 1, and never more of a zone than there is', () => {
    const figure = (key: 'stitchMm' | 'stitchGapMm' | 'depthShare' | 'bandCm') =>
      fc.double({ min: LIMITS[key].min, max: LIMITS[key].max, noNaN: true })
    fc.assert(
      fc.property(
        fc.record({
          kind: fc.constantFrom(...TAKE_KINDS),
          stitchMm: figure('stitchMm'),
          stitchGapMm: figure('stitchGapMm'),
          depthShare: figure('depthShare'),
          bandCm: figure('bandCm'),
        }),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 0, max: 10 }),
        fc.array(fc.constantFrom('A', 'B', 'leave'), { maxLength: 4 }),
        (take, subsectionMm, rowGapMm, sequence) => {
          expect(takenShare(take)).toBeGreaterThan(0)
          expect(takenShare(take)).toBeLessThanOrEqual(1)
          const computed = computeStages(planWith({ placement: { take, subsectionMm, rowGapMm, sequence } }))
          for (const { placement } of computed.zones) {
            const taken = Object.values(placement.takenByFormula).reduce((sum, share) => sum + share, 0)
            expect(taken).toBeGreaterThanOrEqual(0)
            expect(taken).toBeLessThanOrEqual(1 + 1e-6)
          }
        },
      ),
      { numRuns: 25 },
    )
  })

  it('come to stitch over stitch and gap: the presets', () => {
    const shares = Object.fromEntries(TAKE_PRESETS.map(({ id, take }) => [id, takenShare(take)]))
    expect(shares['babylight']).toBeCloseTo(1.5 / 3.5, 12)
    expect(shares['fineWeave']).toBeCloseTo(0.4, 12)
    expect(shares['mediumWeave']).toBeCloseTo(0.5, 12)
    expect(shares['chunkyWeave']).toBeCloseTo(8 / 13, 12)
    expect(shares['slice']).toBe(1)
  })

  it('follow the rhythm in working order, with rows left out', () => {
    const { zones } = computeStages(
      planWith({ only: ['backLeft'], placement: { sequence: ['A', 'B', 'leave'], bricklay: false } }),
    )
    const pieces = zones[0]!.placement.pieces
    for (const { row, formulaId } of pieces) expect(formulaId).toBe(['A', 'B', 'leave'][row % 3])
    expect(pieces.some(({ row }) => row % 3 === 2)).toBe(false)
    const fromAbove = computeStages(
      planWith({ only: ['backLeft'], placement: { sequence: ['A', 'B', 'leave'], rowOrder: 'topDown' } }),
    ).pieces
    expect(fromAbove[0]!.row).toBeGreaterThan(fromAbove.at(-1)!.row)
    expect(fromAbove[0]!.formulaId).toBe('A')
  })

  it('make no foils on the scalp', () => {
    const computed = computeStages(
      planWith({ placement: { take: { kind: 'onScalp' }, subsectionMm: 3, rowGapMm: 0, sequence: ['C'] } }),
    )
    expect(computed.foilCount).toBe(0)
    expect(computed.pieces.length).toBeGreaterThan(100)
    expect(computed.shareByFormula['C']).toBeCloseTo(1, 3)
  })
})

describe('stitches on the map', () => {
  const area = (points: { x: number; y: number }[]) =>
    Math.abs(
      points.reduce(
        (sum, { x, y }, i) => sum + x * points[(i + 1) % points.length]!.y - points[(i + 1) % points.length]!.x * y,
        0,
      ) / 2,
    )

  it('cover the taken share of the subsection: what looks dense is dense', () => {
    const plan = planWith({ placement: { take: { stitchMm: 4, stitchGapMm: 4 } } })
    for (const piece of computeStages(plan).pieces.filter(({ width }) => width > 6)) {
      const stitches = pieceStitches(piece, true)
      const drawn = stitches.reduce((sum, stitch) => sum + area(stitch), 0)
      expect(Math.abs(drawn / (piece.width * piece.thickness) - 0.5)).toBeLessThan(0.1)
    }
  })

  it('are whole ones, evenly spread; offset rows begin and end with half of one', () => {
    const { pieces } = computeStages(planWith({ placement: { take: { stitchMm: 4, stitchGapMm: 4 }, bricklay: true } }))
    for (const piece of pieces) {
      const areas = pieceStitches(piece, true).map(area)
      const count = Math.max(1, Math.round(piece.width / 0.8))
      const offset = piece.row % 2 === 1
      expect(areas).toHaveLength(offset ? count + 1 : count)
      const whole = offset ? areas.slice(1, -1) : areas
      const mean = sum(whole) / whole.length
      if (whole.length > 0) for (const one of whole) expect(Math.abs(one / mean - 1)).toBeLessThan(0.35)
    }
  })

  it('have the subsection’s true area, because the map keeps area', () => {
    for (const piece of computeStages(planWith()).pieces.filter(({ width }) => width > 6))
      expect(Math.abs(area(pieceOutline(piece)) / (piece.width * piece.thickness) - 1)).toBeLessThan(0.1)
  })
})

describe('polylines', () => {
  it('come back when reversed twice, and keep their length when cut', () => {
    const line = straight(9.5)
    expect([...reversed(reversed(line))]).toEqual([...line])
    expect(polylineLength(cutLine(line, 2.25, 7))).toBeCloseTo(4.75, 12)
    expect(cutLine(line, 2.25, 7)[0]).toBeCloseTo(2.25, 12)
    expect(positionAt(line, 9.25)).toEqual({ segment: 9, share: 0.5 })
  })
})
