import fc from 'fast-check'
import { byId } from '../../model'
import { divisionOf, head, holds, type Zones } from '../../../../tests/support/divisions'
import {
  bridgedAnew,
  bridgesOf,
  closedLine,
  cut,
  cutClosed,
  merge,
  moveParting,
  shapeZone,
  zoneAt,
  zoneOutline,
  type DiskPoint,
} from '.'
import { diskArea } from './disk'

describe('a parting closed in itself', () => {
  const TAU = 2 * Math.PI
  const round = (x: number, y: number, radius: number, corners = 24): DiskPoint[] =>
    Array.from({ length: corners }, (_, i) => ({
      x: x + radius * Math.cos((TAU * i) / corners),
      y: y + radius * Math.sin((TAU * i) / corners),
    }))
  const encircled = (division: Zones, line: readonly DiskPoint[], name = 'made'): Zones => {
    let made = 0
    return cutClosed(division, line, (parent) => ({ ...parent, id: `${name}-${++made}` }))
  }
  const scalp = () => divisionOf('fourQuadrants')
  const size = (division: Zones, id: string) => diskArea(zoneOutline(division, byId(division.zones, id)))

  it('takes an island out of the zone around it, which keeps the rest: every law holds, both can be meshed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 0.6, noNaN: true }),
        fc.double({ min: 0.3, max: 0.6, noNaN: true }),
        fc.double({ min: 0.06, max: 0.2, noNaN: true }),
        fc.boolean(),
        fc.constantFrom(4, 7, 24),
        (x, y, radius, otherWay, corners) => {
          fc.pre(Math.hypot(x, y) + radius < 0.995)
          const line = round(x, y, radius, corners)
          const before = scalp()
          const parent = zoneAt(before, { x, y })!
          const after = encircled(before, otherWay ? [...line].reverse() : line)
          expect(holds(after)).toEqual([])
          expect(after.zones).toHaveLength(before.zones.length + 1)
          expect(size(after, 'made-1')).toBeCloseTo(Math.abs(diskArea(line)), 4)
          expect(size(after, parent.id) + size(after, 'made-1')).toBeCloseTo(size(before, parent.id), 4)
          expect(zoneAt(after, { x, y })!.id).toBe('made-1')
          for (const { id } of [parent, { id: 'made-1' }]) {
            const zone = { ...byId(after.zones, id), role: id }
            const { area, mesh } = shapeZone(head, after, zone)
            expect(mesh.areas.reduce((sum, one) => sum + one, 0)).toBeCloseTo(area, 2)
          }
        },
      ),
      { numRuns: 25 },
    )
  })

  it('merged with what is around it is gone without a trace but corners', () => {
    const before = scalp()
    const parent = zoneAt(before, { x: 0.45, y: 0.4 })!.id
    const again = merge(encircled(before, round(0.45, 0.4, 0.15)), parent, 'made-1')
    expect(holds(again)).toEqual([])
    expect(again.zones).toHaveLength(before.zones.length)
    expect(bridgesOf(byId(again.zones, parent).boundary).size).toBe(0)
    expect(size(again, parent)).toBeCloseTo(size(before, parent), 4)
  })

  it('lies in one that lies in a zone, and a wider one takes up what is in it', () => {
    const inner = round(0.45, 0.4, 0.1)
    const wider = round(0.45, 0.4, 0.2)
    const inward = encircled(encircled(scalp(), wider), inner, 'second')
    const outward = encircled(encircled(scalp(), inner), wider, 'second')
    for (const division of [inward, outward]) {
      expect(holds(division)).toEqual([])
      const areas = division.zones.map(({ id }) => size(division, id))
      const ring = Math.abs(diskArea(wider)) - Math.abs(diskArea(inner))
      expect(areas.some((area) => Math.abs(area - ring) < 1e-3)).toBe(true)
    }
  })

  it('leaves room for a parting across its surroundings, over it, or past it', () => {
    const island = encircled(scalp(), round(0.45, 0.4, 0.15))
    const across: DiskPoint[][] = [
      [
        { x: -0.1, y: 0.4 },
        { x: 1.1, y: 0.4 },
      ],
      [
        { x: -0.1, y: 0.62 },
        { x: 1.1, y: 0.62 },
      ],
      [
        { x: 0.45, y: -0.6 },
        { x: 0.45, y: 0.3 },
      ],
    ]
    for (const line of across) {
      let made = 0
      const after = cut(island, line, (parent) => ({ ...parent, id: `cut-${++made}` }))
      expect(holds(after)).toEqual([])
      expect(after.zones.length).toBeGreaterThan(island.zones.length)
    }
  })

  it('that runs over partings cuts each zone along its stretch', () => {
    const after = encircled(scalp(), round(0, -0.3, 0.4))
    expect(holds(after)).toEqual([])
    expect(after.zones).toHaveLength(scalp().zones.length + 4)
  })

  it('that runs over partings is the same wherever it is begun', () => {
    const ring = round(0, -0.3, 0.4, 12)
    const areas = ring.map((_, begun) => {
      const after = encircled(scalp(), [...ring.slice(begun), ...ring.slice(0, begun)])
      expect(holds(after)).toEqual([])
      return after.zones.map(({ id }) => size(after, id)).sort((one, other) => one - other)
    })
    for (const own of areas) own.forEach((area, i) => expect(area).toBeCloseTo(areas[0]![i]!, 4))
  })

  it('stays one when it is moved: its bridge is laid anew where something came in its way', () => {
    const island = encircled(scalp(), round(0.45, 0.4, 0.1))
    const parting = byId(island.zones, 'made-1').boundary[0]!.edge
    for (const by of [
      { x: 0.2, y: -0.2 },
      { x: -0.25, y: 0.25 },
    ]) {
      const moved = bridgedAnew(moveParting(island, parting, by))
      expect(holds(moved)).toEqual([])
    }
  })

  it('also comes of zones that are merged around another', () => {
    const halo = divisionOf('halo')
    const ring = merge(halo, 'perimeterLeft', 'perimeterRight')
    expect(holds(ring)).toEqual([])
    expect(ring.zones.map(({ id }) => id).sort()).toEqual(['circle', 'perimeterLeft'])
  })

  it.each([
    ['crosses itself', [round(0.45, 0.4, 0.1), round(0.55, 0.4, 0.15)].flat(), /crosses itself/],
    ['is next to nothing', round(0.45, 0.4, 0.02), /too small/],
    [
      'leaves no hair between itself and the hairline',
      round(0.5977604556465954, 0.531943521080351, 0.2),
      /against an edge/,
    ],
  ])('that %s is refused in words', (_what, line, words) => {
    expect(() => encircled(scalp(), line)).toThrow(words)
  })

  it('is what a hand drew whose end comes back to its beginning, cut where it meets itself', () => {
    const line = round(0, 0, 5)
    expect(closedLine([...line, { x: 5, y: -0.2 }], 0.7)).toEqual(line)
    expect(closedLine([...line, line[0]!], 0.7)).toEqual(line)
    expect(closedLine(line.slice(0, 14), 0.7)).toBeUndefined()
    // Run on along where it began, the first place drawn a little aside.
    const twice = [{ x: 5.3, y: 0.1 }, ...line.slice(1), line[0]!, { x: 4.9, y: 1.2 }]
    expect(Math.abs(diskArea(closedLine(twice, 0.7)!))).toBeCloseTo(Math.abs(diskArea(line)), 0)
    const overrun = [{ x: 5, y: -1 }, ...line, { x: 5.2, y: -0.3 }, { x: 4.6, y: 0.5 }]
    const closed = closedLine(overrun, 0.7)!
    expect(Math.abs(diskArea(closed))).toBeCloseTo(Math.abs(diskArea(line)), 0)
    expect(closedLine([line[0]!, line[1]!, line[0]!], 0.7)).toBeUndefined()
  })
})
