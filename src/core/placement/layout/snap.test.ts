import fc from 'fast-check'
import { snapPoint, type SnapTargets } from '.'

const TARGETS: SnapTargets = {
  corners: [{ x: 4, y: 2 }],
  landmarks: [{ x: 0, y: -5 }],
  partings: [
    [
      { x: -6, y: -8 },
      { x: 6, y: -8 },
    ],
  ],
  hairline: [
    { x: -10, y: 10 },
    { x: 10, y: 10 },
  ],
}
const at = (x: number, y: number) => snapPoint({ x, y }, TARGETS, 0.7)

describe('a hand’s point', () => {
  it('is drawn to corners, landmarks, a corner’s mirror image, the hairline, partings and the middle', () => {
    expect(at(4.3, 2.4)).toEqual({ point: { x: 4, y: 2 }, to: 'corner' })
    expect(at(0.2, -4.8)).toEqual({ point: { x: 0, y: -5 }, to: 'landmark' })
    expect(at(-4.2, 2.1)).toEqual({ point: { x: -4, y: 2 }, to: 'mirror' })
    expect(at(3, 9.5)).toEqual({ point: { x: 3, y: 10 }, to: 'hairline' })
    expect(at(2, -8.4)).toEqual({ point: { x: 2, y: -8 }, to: 'parting' })
    expect(at(-0.5, 6)).toEqual({ point: { x: 0, y: 6 }, to: 'middle' })
    expect(at(8, 5)).toEqual({ point: { x: 8, y: 5 }, to: undefined })
  })

  it('moves no further than the reach, and what it is drawn to stays where it is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -12, max: 12, noNaN: true }),
        fc.double({ min: -12, max: 12, noNaN: true }),
        fc.double({ min: 0.05, max: 2, noNaN: true }),
        (x, y, reach) => {
          const { point } = snapPoint({ x, y }, TARGETS, reach)
          expect(Math.hypot(point.x - x, point.y - y)).toBeLessThanOrEqual(reach)
          expect(snapPoint(point, { ...TARGETS, corners: [], landmarks: [] }, 1e-9).point.x).toBeCloseTo(point.x, 9)
        },
      ),
    )
  })
})
