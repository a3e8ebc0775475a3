import fc from 'fast-check'
import { boxOfPath, fittedTo, movedBy, NEAREST, zoomedAbout, type MapBox } from './mapView'

const WHOLE: MapBox = { x: -16, y: -14, width: 32, height: 30 }
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const inside = ({ x, y, width, height }: MapBox) => {
  expect(x).toBeGreaterThanOrEqual(WHOLE.x - 1e-9)
  expect(y).toBeGreaterThanOrEqual(WHOLE.y - 1e-9)
  expect(x + width).toBeLessThanOrEqual(WHOLE.x + WHOLE.width + 1e-9)
  expect(y + height).toBeLessThanOrEqual(WHOLE.y + WHOLE.height + 1e-9)
}

describe('what is in sight of the map', () => {
  it('keeps the shape of the whole and never leaves it, whatever hands do', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(between(0.3, 3), between(-16, 16), between(-14, 16), between(-9, 9)), { maxLength: 12 }),
        (hands) => {
          const view = hands.reduce(
            (now, [factor, x, y, by]) => movedBy(zoomedAbout(now, WHOLE, factor, { x, y }), WHOLE, by, -by),
            WHOLE,
          )
          inside(view)
          expect(view.width / view.height).toBeCloseTo(WHOLE.width / WHOLE.height, 9)
          expect(view.width).toBeGreaterThanOrEqual(WHOLE.width / NEAREST - 1e-9)
        },
      ),
    )
  })

  it('keeps the point under the fingers in its place while it comes nearer', () => {
    fc.assert(
      fc.property(between(-6, 6), between(-6, 6), between(1.1, 4), (x, y, factor) => {
        const near = zoomedAbout(WHOLE, WHOLE, 2, { x: 0, y: 0 })
        const nearer = zoomedAbout(near, WHOLE, factor, { x, y })
        expect((x - nearer.x) / nearer.width).toBeCloseTo((x - near.x) / near.width, 9)
        expect((y - nearer.y) / nearer.height).toBeCloseTo((y - near.y) / near.height, 9)
      }),
    )
  })

  it('holds all of a zone that it is fitted to, in the middle', () => {
    const zone = boxOfPath('M-2 -1.5L3.25 -1L1 4Z')
    expect(zone).toEqual({ x: -2, y: -1.5, width: 5.25, height: 5.5 })
    const view = fittedTo(zone, WHOLE)
    inside(view)
    expect(view.x + view.width / 2).toBeCloseTo(zone.x + zone.width / 2, 9)
    expect(view.width).toBeGreaterThan(zone.width)
    expect(view.height).toBeGreaterThan(zone.height)
    expect(view.width).toBeLessThan(WHOLE.width / 3)
  })
})
