import type { Paint, PlacedPiece, Takers } from '../paint'
import { blank, cameraAt, skinPixel, strandPixel, VIEWS, type Exposure, type View } from '../picture'
import type { Strands } from '../strands'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { countSeen, seenPoints, seenShares } from '.'
import { extremes, growsAtFace, liesAtPart, meanLevel, rootSoftness, shelfOf } from './levels'
import { stripeWidth } from './stripes'

const SIZE = { width: 60, height: 80 }
const camera = (view: View = { turn: 0, tilt: 0 }) => cameraAt(view, SIZE, { lowest: -20, highest: 15, aside: 12 })

/** A picture whose pixels are given by place: a point of a strand, `skin`, or nothing. */
function exposureOf(at: (x: number, y: number) => number | 'skin' | undefined, view?: View): Exposure {
  const exposure = blank(camera(view))
  for (let y = 0; y < SIZE.height; y++)
    for (let x = 0; x < SIZE.width; x++) {
      const point = at(x, y)
      exposure.pixels[y * SIZE.width + x] =
        point === undefined ? 0 : point === 'skin' ? skinPixel(3, 100) : strandPixel(point, 3)
    }
  return exposure
}

/** Strands of four points each, a centimetre apart, with what is said of their roots. */
function strandsOf(roots: { s?: number; psi?: number; at?: [number, number, number] }[]): Strands {
  const count = roots.length
  return {
    wear: 'straight',
    roots: {
      count,
      map: new Float32Array(2 * count),
      space: Float32Array.from(roots.flatMap(({ at = [5, 0, 5] }) => at)),
      s: Float32Array.from(roots, ({ s = 0.5 }) => s),
      psi: Float32Array.from(roots, ({ psi = 1 }) => psi),
      cell: new Uint16Array(count),
      length: new Float32Array(count).fill(3),
      clump: new Int32Array(count),
    },
    first: Uint32Array.from({ length: count + 1 }, (_, i) => 4 * i),
    positions: new Float32Array(12 * count),
    along: Float32Array.from({ length: 4 * count }, (_, at) => at % 4),
    owner: Uint16Array.from({ length: 4 * count }, (_, at) => at >> 2),
    halfWidths: new Float32Array(4 * count),
  }
}
const paintOf = (levels: number[], change: number[] = []): Paint => ({
  levels: Float32Array.from(levels),
  rgb: new Float32Array(),
  roots: new Float32Array(),
  change: Float32Array.from(change),
})
const four = (level: number) => [level, level, level, level]

describe('what is seen', () => {
  const strands = strandsOf([{}, {}])
  const exposure = exposureOf((x, y) => (y < 20 ? undefined : y < 40 ? 'skin' : x < 15 ? 1 : 6))

  it('is counted point by point, without skin and wall', () => {
    const { counts, total } = seenPoints(exposure, strands)
    expect(total).toBe(40 * 60)
    expect(counts[1]).toBe(40 * 15)
    expect(counts[6]).toBe(40 * 45)
  })

  it('belongs to the last formula at its place, and to every piece that touched it', () => {
    const piece = (id: string, zoneId: string, stretches: PlacedPiece['stretches']) =>
      ({ piece: { id }, zoneId, stageId: 's', stage: 0, stretches }) as unknown as PlacedPiece
    const takers: Takers = {
      starts: [],
      stages: 2,
      pieces: [
        piece('foil', 'front', [{ formulaId: 'A', fromCm: 0, toCm: 9 }]),
        piece('gloss', 'all', [
          { formulaId: 'B', fromCm: 0, toCm: 1.5 },
          { formulaId: 'C', fromCm: 1.5, toCm: 9 },
        ]),
        piece('ends', 'back', [{ formulaId: 'D', fromCm: 3, toCm: 9 }]),
      ],
      taken: Int32Array.from([0, 1, -1, 2]),
    }
    const shares = seenShares(seenPoints(exposure, strands), strands, takers)
    // Point 1 lies 1 cm along strand 0, point 6 two along strand 1, where nothing begins before 3.
    expect(shares.formulas).toEqual({ B: 0.25, '': 0.75 })
    expect(shares.zones).toEqual({ all: 0.25, '': 0.75 })
    expect([...shares.pieces]).toEqual([0.25, 0.25, 0])
  })
})

describe('levels', () => {
  const strands = strandsOf([
    { s: 0.9, psi: 0.3 },
    { s: 0.9, psi: 2 },
    { s: 0.2, psi: 0.3, at: [0.5, 3, 12] },
    { s: 0.2, psi: 0.3, at: [2, 3, 12] },
  ])

  it('are means by what is seen, of what is meant', () => {
    const points = seenPoints(
      exposureOf((x) => (x < 15 ? 0 : x < 45 ? 4 : undefined)),
      strands,
    )
    const paint = paintOf([...four(9), ...four(3), ...four(5), ...four(5)])
    expect(meanLevel(points, paint, () => true)).toBeCloseTo(5, 9)
    expect(meanLevel(points, paint, (point) => point === 0)).toBe(9)
    expect(meanLevel(points, paint, () => false)).toBeUndefined()
  })

  it('know the hair at the face, and at the part', () => {
    const atFace = growsAtFace(strands)
    expect([0, 4, 8].map((point) => atFace(point))).toEqual([true, false, false])
    const atPart = liesAtPart(strands, { ...MEDIUM_HAIR, part: 'centre' })
    expect([8, 10, 11, 12, 0].map((point) => atPart(point))).toEqual([true, true, false, false, false])
  })

  it('reach from the deepest to the lightest that shows, and leave out what does not', () => {
    const paint = paintOf([...four(9.2), ...four(3.1), ...four(12), ...four(1)])
    const points = seenPoints(
      exposureOf((x, y) => (x === 0 ? (y < 40 ? 8 : 12) : x < 30 ? 0 : 4)),
      strands,
    )
    const { light, deep } = extremes(points, paint)
    expect(light).toBeCloseTo(9.2, 5)
    expect(deep).toBeCloseTo(3.1, 5)
  })
})

describe('a shelf', () => {
  it('is the greatest step from one height to the next', () => {
    const paint = paintOf([...four(8), ...four(5)])
    const shelf = shelfOf(
      exposureOf((_, y) => (y < 42 ? 0 : 4), { turn: Math.PI, tilt: 0 }),
      paint,
    )!
    expect(shelf.levels).toBeCloseTo(3, 0)
    const { scale, centre } = camera()
    expect(Math.abs(shelf.z - (centre[2] - 2 / scale))).toBeLessThan(2.1)
    const upside = shelfOf(
      exposureOf((_, y) => (y < 42 ? 4 : 0)),
      paint,
    )!
    expect(upside.levels).toBeLessThan(-2)
    expect(
      shelfOf(
        exposureOf(() => 'skin'),
        paint,
      ),
    ).toBeUndefined()
    expect(
      shelfOf(
        exposureOf(() => 0),
        paint,
      )!.levels,
    ).toBe(0)
  })
})

describe('stripes', () => {
  const paint = paintOf([...four(8), ...four(5)])
  const width = (at: (x: number, y: number) => number) => stripeWidth(exposureOf(at), paint, { light: 8, deep: 5 })!

  it('are as broad as they are, upright, level or slanting', () => {
    const { scale } = camera()
    for (const pixels of [6, 10]) {
      const breadth = pixels / scale
      const on = (way: number) => (Math.floor(way / pixels) % 2 === 0 ? 0 : 4)
      expect(width((x) => on(x))).toBeGreaterThan(breadth)
      expect(width((x) => on(x))).toBeLessThan(1.35 * breadth)
      expect(width((_, y) => on(y))).toBeLessThan(1.35 * breadth)
      const slanting = width((x, y) => on((x + y) / Math.SQRT2))
      expect(slanting).toBeGreaterThan(0.75 * breadth)
      expect(slanting).toBeLessThan(1.1 * breadth)
    }
  })

  it('are not broken by a strand that strays, and there are none without contrast', () => {
    const plain = width((x) => (Math.floor(x / 10) % 2 === 0 ? 0 : 4))
    const strayed = width((x) => (x % 20 === 5 ? 4 : Math.floor(x / 10) % 2 === 0 ? 0 : 4))
    expect(strayed).toBeCloseTo(plain, 1)
    expect(
      stripeWidth(
        exposureOf(() => 0),
        paint,
        { light: 5.5, deep: 5 },
      ),
    ).toBeUndefined()
    expect(
      stripeWidth(
        exposureOf(() => 4),
        paint,
        { light: 8, deep: 5 },
      ),
    ).toBeUndefined()
  })
})

describe('a root', () => {
  const strands = strandsOf([{}, {}])

  it('is as soft as the way is long over which what got lighter rises', () => {
    const softness = (levels: number[], change = [3, 0]) =>
      rootSoftness(strands, paintOf([...levels, ...four(5)], change))
    expect(softness([5, 5, 9, 9])).toBe(0)
    expect(softness([5, 6, 8, 9])).toBeCloseTo(1, 0)
    expect(softness([9, 9, 9, 9])).toBe(0)
    expect(softness([5, 5, 9, 9], [0, 0])).toBeUndefined()
  })
})

describe('figures of a look', () => {
  const strands = strandsOf([
    { s: 0.9, psi: 0.3 },
    { s: 0.5, psi: 2 },
  ])
  const takers: Takers = { starts: [], stages: 0, pieces: [], taken: new Int32Array() }
  const paint = paintOf([...four(8), ...four(5)], [3, 0])
  const before = paintOf([...four(5), ...four(6)], [0, 0])
  const exposures = {
    front: exposureOf((x) => (x < 15 ? 0 : 4)),
    left: exposureOf(() => 0, VIEWS.left),
    right: exposureOf(() => 4, VIEWS.right),
    back: exposureOf(() => 4, VIEWS.back),
    top: exposureOf((x) => (x < 30 ? 0 : 4), VIEWS.top),
  }
  const figures = countSeen({ strands, exposures }, { paint, before, takers, hair: MEDIUM_HAIR })

  it('count each view', () => {
    const { front, left } = figures.views
    expect(front).toMatchObject({ lighter: 0.25, darker: 0.75, lightest: 8, contrastLevels: 3, lightLevel: 8 })
    expect(front!.meanLevel).toBeCloseTo(5.75, 9)
    expect(front!.face).toEqual({ level: 8, rest: 5 })
    expect(left).toMatchObject({ lighter: 1, darker: 0, contrastLevels: 0, stripeCm: undefined, face: undefined })
  })

  it('and all of them together, each by how often hair is seen so', () => {
    expect(figures.lighter).toBeCloseTo(0.35 * 0.25 + 0.2 + 0.05 * 0.5, 9)
    expect(figures.zones).toEqual({ '': expect.closeTo(1, 9) })
    expect(figures.faceLevels).toBe(3)
    expect(figures.leftLevels).toBe(3)
    const oneView = countSeen(
      { strands, exposures: { left: exposures.left } },
      { paint, before, takers, hair: MEDIUM_HAIR },
    )
    expect(oneView.meanLevel).toBe(8)
    expect(oneView.leftLevels).toBeUndefined()
    expect(oneView.shelf).toBeUndefined()
  })
})
