import fc from 'fast-check'
import { createHairline } from './hairline'
import {
  createHead,
  directionFromMap,
  earToEarArc,
  frontToNapeArc,
  HeadMeasureError,
  horizontalCircumference,
  LENGTH_REGION_CENTRES,
  lengthRegionAt,
  localScale,
  mapFromDirection,
  mapFromPlace,
  placeFromMap,
  radiusAt,
  regionAt,
  scalpArea,
  surfacePoint,
  type Axes,
} from '.'
import { radians } from '../../units'
import { FRONT_FADE, HAIRLINE_LANDMARKS, NAPE_FADE_FROM } from './constants'

const head = createHead({ circumferenceCm: 54 })
const anyPsi = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true })

/** Area of a surface between the apex and a bound θ(ψ), by summing small flat triangles. */
function triangulatedArea(axes: Axes, bound: (psi: number) => number): number {
  const spokes = 720
  const rings = 240
  let sum = 0
  const at = (i: number, j: number) => {
    const psi = (2 * Math.PI * j) / spokes
    return surfacePoint(axes, (bound(psi) * i) / rings, psi)
  }
  const area = (p: ReturnType<typeof at>, q: ReturnType<typeof at>, r: ReturnType<typeof at>) => {
    const u = [q.x - p.x, q.y - p.y, q.z - p.z] as const
    const v = [r.x - p.x, r.y - p.y, r.z - p.z] as const
    return Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2
  }
  for (let j = 0; j < spokes; j++)
    for (let i = 0; i < rings; i++) {
      sum += area(at(i, j), at(i + 1, j), at(i + 1, j + 1)) + area(at(i, j), at(i + 1, j + 1), at(i, j + 1))
    }
  return sum
}

describe('the equal-area map', () => {
  it('has the area of the triangulated surface within 0.1 %', () => {
    for (const measures of [
      { circumferenceCm: 54 },
      { circumferenceCm: 58, earToEarCm: 38 },
      { circumferenceCm: 51, frontHairlineOffsetCm: 1 },
    ]) {
      const other = createHead(measures)
      expect(scalpArea(other) / triangulatedArea(other.axes, other.hairline)).toBeCloseTo(1, 3)
    }
  })

  it('is undone by its inverse to 1e-6, from directions', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: radians(150), noNaN: true }), anyPsi, (theta, psi) => {
        const point = mapFromDirection(head, theta, psi)
        const back = directionFromMap(head, point)
        expect(Math.abs(back.theta - theta)).toBeLessThan(1e-6)
        expect(Math.hypot(Math.sin(back.psi) - Math.sin(psi), Math.cos(back.psi) - Math.cos(psi))).toBeLessThan(1e-6)
      }),
    )
  })

  it('is undone by its inverse to 1e-6, from head-free places', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 1, noNaN: true }), anyPsi, (s, psi) => {
        expect(placeFromMap(head, mapFromPlace(head, { psi, s })).s).toBeCloseTo(s, 6)
      }),
    )
  })

  it('keeps area locally: the scales along and across multiply to one', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 0.95, noNaN: true }), anyPsi, (s, psi) => {
        const { along, across } = localScale(head, mapFromPlace(head, { psi, s }))
        expect(along * across).toBeGreaterThan(0.9)
        expect(along * across).toBeLessThan(1.0001)
      }),
    )
  })

  it('shrinks lengths along the meridian and stretches them across it at the nape', () => {
    const nape = localScale(head, mapFromPlace(head, { psi: Math.PI, s: 0.97 }))
    expect(nape.along).toBeLessThan(0.6)
    expect(nape.across).toBeGreaterThan(1.7)
  })

  it('shows the face at the top and the client’s left on the left', () => {
    expect(mapFromPlace(head, { psi: 0, s: 1 }).y).toBeGreaterThan(5)
    expect(mapFromPlace(head, { psi: Math.PI / 2, s: 1 }).x).toBeLessThan(-5)
  })
})

describe('a head from tape measures', () => {
  it('has the measures it was made from', () => {
    const measures = { circumferenceCm: 56, earToEarCm: 36, frontToNapeCm: 37 }
    const { axes, hairline } = createHead(measures)
    expect(horizontalCircumference(axes)).toBeCloseTo(56, 6)
    expect(earToEarArc(axes, hairline)).toBeCloseTo(36, 6)
    expect(frontToNapeArc(axes, hairline)).toBeCloseTo(37, 6)
  })

  it('takes the height from the front-to-nape arc when that is all there is', () => {
    const { axes, hairline } = createHead({ circumferenceCm: 55, frontToNapeCm: 38 })
    expect(frontToNapeArc(axes, hairline)).toBeCloseTo(38, 6)
  })

  it('grows with its circumference', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 48, max: 60, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (circumferenceCm, more) => {
          expect(scalpArea(createHead({ circumferenceCm: circumferenceCm + more }))).toBeGreaterThan(
            scalpArea(createHead({ circumferenceCm })),
          )
        },
      ),
      { numRuns: 15 },
    )
  })

  it('moves the front hairline by what was asked', () => {
    const higher = createHead({ circumferenceCm: 54, frontHairlineOffsetCm: 2 })
    const moved = frontToNapeArc(head.axes, head.hairline) - frontToNapeArc(higher.axes, higher.hairline)
    expect(moved).toBeGreaterThan(1.9)
    expect(moved).toBeLessThan(2.1)
  })

  it('refuses measures that contradict each other, naming the field and what would fit', () => {
    const make = () => createHead({ circumferenceCm: 54, earToEarCm: 34, frontToNapeCm: 45 })
    expect(make).toThrow(HeadMeasureError)
    expect(make).toThrow(/should lie between \d+\.\d and \d+\.\d cm/)
    try {
      make()
    } catch (error) {
      expect((error as HeadMeasureError).field).toBe('frontToNapeCm')
    }
  })

  it('is smooth where its half-ellipsoids meet', () => {
    const { axes } = head
    for (const [theta, psi] of [
      [Math.PI / 2, 1],
      [1.2, Math.PI / 2],
    ] as const) {
      const step = 1e-4
      const slope = (side: number, direction: 'theta' | 'psi') =>
        direction === 'theta'
          ? (radiusAt(axes, theta + side * step, psi) - radiusAt(axes, theta, psi)) / (side * step)
          : (radiusAt(axes, theta, psi + side * step) - radiusAt(axes, theta, psi)) / (side * step)
      for (const direction of ['theta', 'psi'] as const)
        expect(slope(1, direction)).toBeCloseTo(slope(-1, direction), 2)
    }
  })
})

describe('the hairline', () => {
  it('passes through its landmarks on both sides', () => {
    const hairline = createHairline(0, radians(130))
    for (const { psiDeg, thetaDeg } of HAIRLINE_LANDMARKS) {
      expect(hairline(radians(psiDeg))).toBeCloseTo(radians(thetaDeg), 9)
      expect(hairline(radians(-psiDeg))).toBeCloseTo(radians(thetaDeg), 9)
      expect(hairline(radians(psiDeg + 360))).toBeCloseTo(radians(thetaDeg), 9)
    }
  })

  it('rises from the forehead to the nape without overshooting a landmark, with one slope on both sides of each', () => {
    const hairline = createHairline(0, radians(130))
    for (let psiDeg = 1; psiDeg <= 180; psiDeg++)
      expect(hairline(radians(psiDeg))).toBeGreaterThan(hairline(radians(psiDeg - 1)))
    const knots = HAIRLINE_LANDMARKS.map(({ psiDeg, thetaDeg }) => ({ x: radians(psiDeg), y: radians(thetaDeg) }))
    const slopeAt = (x: number, towards: number) => (hairline(x + towards) - hairline(x)) / towards
    for (let i = 1; i < knots.length - 1; i++) {
      const [before, here, after] = [knots[i - 1]!, knots[i]!, knots[i + 1]!]
      const [h0, h1] = [here.x - before.x, after.x - here.x]
      // Fritsch & Butland 1984, from memory: the weighted harmonic mean of the slopes of both secants.
      const [d0, d1] = [(here.y - before.y) / h0, (after.y - here.y) / h1]
      const slope = (3 * (h0 + h1)) / ((2 * h1 + h0) / d0 + (h1 + 2 * h0) / d1)
      for (const towards of [1e-6, -1e-6]) expect(slopeAt(here.x, towards)).toBeCloseTo(slope, 4)
    }
    for (const end of [0, Math.PI]) expect(slopeAt(end, 1e-6)).toBeCloseTo(0, 4)
  })

  it('moves at the front and at the nape by what was asked, less and less towards the ears', () => {
    const [plain, moved] = [createHairline(0, radians(130)), createHairline(0.1, radians(130) + 0.2)]
    const shiftAt = (psiDeg: number) => moved(radians(psiDeg)) - plain(radians(psiDeg))
    expect(shiftAt(0)).toBeCloseTo(0.1, 9)
    expect(shiftAt(180)).toBeCloseTo(0.2, 9)
    const faded = (share: number) => (1 + Math.cos(Math.PI * share)) / 2
    expect(shiftAt(30)).toBeCloseTo(0.1 * faded(radians(30) / FRONT_FADE), 9)
    expect(shiftAt(150)).toBeCloseTo(0.2 * faded(radians(30) / (Math.PI - NAPE_FADE_FROM)), 9)
    expect(shiftAt(95)).toBeCloseTo(0, 9)
  })
})

/** Names of places by azimuth from the face, degrees, and share of the way to the hairline, on either side. */
const bothSides = <Name>(nameAt: (place: { psi: number; s: number }) => Name, psiDeg: number, s: number): Name[] =>
  [psiDeg, -psiDeg, 360 - psiDeg].map((degrees) => nameAt({ psi: radians(degrees), s }))

describe('regions', () => {
  it.each([
    [0, 0.9, 'fringe'],
    [39.9, 0.551, 'fringe'],
    [39.9, 0.55, 'top'],
    [0, 0.1, 'top'],
    [55, 0.9, 'temple'],
    [40.1, 0.701, 'temple'],
    [64.9, 0.7, 'side'],
    [40.1, 0.401, 'side'],
    [64.9, 0.4, 'top'],
    [65.1, 0.9, 'side'],
    [90, 0.8, 'side'],
    [114.9, 0.401, 'side'],
    [65.1, 0.4, 'top'],
    [115.1, 0.119, 'top'],
    [180, 0.12, 'crown'],
    [180, 0.3, 'crown'],
    [180, 0.399, 'crown'],
    [115.1, 0.4, 'back'],
    [180, 0.619, 'back'],
    [180, 0.62, 'occipital'],
    [115.1, 0.819, 'occipital'],
    [180, 0.82, 'nape'],
    [180, 0.95, 'nape'],
  ])('names the place at %d°, %d of the way down, as a colourist would: %s', (psiDeg, s, name) => {
    expect(bothSides(regionAt, psiDeg, s)).toEqual([name, name, name])
  })

  it.each([
    [0, 0.751, 'fringe'],
    [39.9, 0.75, 'front'],
    [39.9, 0.251, 'front'],
    [0, 0.25, 'crown'],
    [40.1, 0.701, 'sides'],
    [64.9, 0.7, 'front'],
    [64.9, 0.251, 'front'],
    [40.1, 0.25, 'crown'],
    [65.1, 0.401, 'sides'],
    [114.9, 0.4, 'crown'],
    [115.1, 0.399, 'crown'],
    [115.1, 0.4, 'back'],
    [180, 0.819, 'back'],
    [180, 0.82, 'nape'],
  ])('knows whose length hair at %d°, %d of the way down, has: %s', (psiDeg, s, name) => {
    expect(bothSides(lengthRegionAt, psiDeg, s)).toEqual([name, name, name])
  })

  it('measures each length inside its own region', () => {
    for (const [name, places] of Object.entries(LENGTH_REGION_CENTRES))
      for (const place of places) expect(lengthRegionAt(place)).toBe(name)
  })
})
