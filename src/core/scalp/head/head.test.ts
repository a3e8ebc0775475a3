import fc from 'fast-check'
import { createHairline } from './hairline'
import {
  createHead,
  directionFromMap,
  earToEarArc,
  frontToNapeArc,
  HeadMeasureError,
  horizontalCircumference,
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
import { HAIRLINE_LANDMARKS } from './constants'

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
})

describe('regions', () => {
  it('names places as a colourist would', () => {
    const named = (psiDeg: number, s: number) => regionAt({ psi: radians(psiDeg), s })
    expect(named(0, 0.9)).toBe('fringe')
    expect(named(0, 0.1)).toBe('top')
    expect(named(180, 0.3)).toBe('crown')
    expect(named(-180, 0.95)).toBe('nape')
    expect(named(-55, 0.9)).toBe('temple')
    expect(named(90, 0.8)).toBe('side')
    expect(named(270, 0.8)).toBe('side')
  })
})
