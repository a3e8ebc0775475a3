import fc from 'fast-check'
import { byId, LAYOUT_TEMPLATES } from '../../model'
import { divisionOf, head, holds, type Zones } from '../../../../tests/support/divisions'
import {
  bendParting,
  cut,
  diskFromPlace,
  DivisionError,
  edgeDrawer,
  merge,
  mirrored,
  moveParting,
  moveVertex,
  zoneAt,
  zoneOutline,
  type DiskPoint,
} from '.'
import { diskArea, placeOf } from './disk'
import { drawEdges } from './outline'

let made = 0
const split = (division: Zones, line: readonly DiskPoint[]): Zones =>
  cut(division, line, (parent) => ({ ...parent, id: `made-${made++}` }))
const rim = fc.double({ min: 0, max: 2 * Math.PI, noNaN: true })
const across = fc.tuple(rim, rim).filter(([a, b]) => Math.abs(Math.sin((a - b) / 2)) > 0.35)
const line = ([a, b]: [number, number]) => [a, b].map((psi) => diskFromPlace({ psi, s: 1.05 }))

/** Where so many edges meet. */
function cornerOf({ vertices, edges }: Zones, meeting: number): DiskPoint {
  const corner = vertices.find(({ id }) => edges.filter(({ from, to }) => from === id || to === id).length === meeting)!
  return diskFromPlace(placeOf(corner))
}

describe('a parting drawn across the head', () => {
  it('keeps every law: zones cover the scalp once, whatever is cut, and areas add up', () => {
    fc.assert(
      fc.property(fc.constantFrom(...LAYOUT_TEMPLATES), across, (template, ends) => {
        const before = divisionOf(template)
        let after: Zones
        try {
          after = split(before, line(ends))
        } catch (error) {
          expect(error).toBeInstanceOf(DivisionError)
          return
        }
        expect(holds(after)).toEqual([])
        expect(after.zones.length).toBeGreaterThan(before.zones.length)
        const area = (division: Zones) =>
          division.zones.reduce((sum, zone) => sum + diskArea(zoneOutline(division, zone)), 0)
        expect(area(after)).toBeCloseTo(area(before), 3)
        for (const { id } of before.zones) expect(after.zones.map((zone) => zone.id)).toContain(id)
      }),
      { numRuns: 40 },
    )
  })

  it('past the corner of four zones, as near as the pen catches it, cuts the two it runs through and leaves the others whole', () => {
    const before = divisionOf('fourQuadrants')
    const corner = cornerOf(before, 4)
    for (const [turn, aside] of [
      [Math.PI / 4, 2e-3],
      [Math.PI / 4, -2e-3],
      [-Math.PI / 4, 2e-4],
      [-Math.PI / 4, -2e-4],
    ] as const) {
      const [x, y] = [Math.cos(turn), Math.sin(turn)]
      const at = (far: number) => ({ x: corner.x + far * x - aside * y, y: corner.y + far * y + aside * x })
      const after = split(before, [at(-1.3), at(1.3)])
      expect(holds(after)).toEqual([])
      expect(after.zones).toHaveLength(before.zones.length + 2)
    }
  })

  it('and merged again gives back the area, the larger piece keeping its name', () => {
    fc.assert(
      fc.property(across, (ends) => {
        const whole = divisionOf('fourQuadrants')
        let after: Zones
        try {
          after = split(whole, line(ends))
        } catch {
          return
        }
        const fresh = after.zones.filter(({ id }) => id.startsWith('made-'))
        const parent = whole.zones.find((zone) =>
          fresh.some(
            (one) =>
              diskArea(zoneOutline(after, one)) > 0 && zoneAt(whole, middle(zoneOutline(after, one)))?.id === zone.id,
          ),
        )
        if (!parent || !fresh[0]) return
        const pair = fresh.find((one) => zoneAt(whole, middle(zoneOutline(after, one)))?.id === parent.id)!
        const again = merge(after, parent.id, pair.id)
        const size = (division: Zones) => diskArea(zoneOutline(division, byId(division.zones, parent.id)))
        expect(size(again)).toBeCloseTo(size(whole), 3)
        expect(holds(again)).toEqual([])
      }),
      { numRuns: 20 },
    )
  })

  const middle = (points: readonly DiskPoint[]): DiskPoint => ({
    x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
    y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
  })

  it('mirrored cuts the mirrored zones', () => {
    const drawn = line([1.1, 2.7])
    const left = split(divisionOf('fourQuadrants'), drawn)
    const right = split(divisionOf('fourQuadrants'), mirrored(drawn))
    const areas = (division: Zones) =>
      division.zones.map((zone) => Math.round(1e3 * diskArea(zoneOutline(division, zone)))).sort()
    expect(areas(left)).toEqual(areas(right))
  })

  it.each([
    [
      'that crosses itself',
      [
        [-1.05, 0],
        [0.8, 0.3],
        [0.2, 0.9],
        [0.1, -1.05],
      ],
      /crosses itself/,
    ],
    [
      'that ends inside a zone',
      [
        [0.3, 0.2],
        [0.5, 0.4],
      ],
      /from one edge/,
    ],
    [
      'that cuts off next to nothing',
      [
        [0.05, 1.1],
        [0.12, 0.9],
        [0.05, 0.9],
      ],
      /no size|from one edge/,
    ],
  ] as const)('%s is refused in words', (_what, points, words) => {
    expect(() =>
      split(
        divisionOf('fourQuadrants'),
        points.map(([x, y]) => ({ x, y })),
      ),
    ).toThrow(words)
  })
})

describe('corners and bends', () => {
  it('that are moved a little keep every law, and the ids of all zones', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LAYOUT_TEMPLATES),
        fc.nat(),
        fc.double({ min: -0.03, max: 0.03, noNaN: true }),
        fc.double({ min: -0.03, max: 0.03, noNaN: true }),
        (template, pick, dx, dy) => {
          const before = divisionOf(template)
          const vertex = before.vertices[pick % before.vertices.length]!
          const at = diskFromPlace({ psi: (vertex.psiDeg * Math.PI) / 180, s: vertex.s })
          const moved = moveVertex(before, vertex.id, { x: at.x + dx, y: at.y + dy })
          expect(moved.zones).toEqual(before.zones)
          if (vertex.s === 1) expect(byId(moved.vertices, vertex.id).s).toBe(1)
          const partings = before.edges.filter(({ kind, via }) => kind === 'parting' && via.length > 2)
          const parting = partings[pick % partings.length]!
          const place = parting.via[1]!
          const there = diskFromPlace({ psi: (place.psiDeg * Math.PI) / 180, s: place.s })
          const bent = bendParting(before, parting.id, 1, { x: there.x + dx / 2, y: there.y + dy / 2 })
          expect(holds(bent)).toEqual([])
          // A whole parting moves along, its inner ends by as much, its ends on the hairline along it; moved back it is
          // where it was.
          const shifted = moveParting(before, parting.id, { x: dx / 2, y: dy / 2 })
          expect(holds(shifted)).toEqual([])
          const back = moveParting(shifted, parting.id, { x: -dx / 2, y: -dy / 2 })
          const placesOf = ({ edges }: Zones) =>
            byId(edges, parting.id).via.map(({ psiDeg, s }) => diskFromPlace({ psi: (psiDeg * Math.PI) / 180, s }))
          placesOf(back).forEach((spot, i) =>
            expect(Math.hypot(spot.x - placesOf(before)[i]!.x, spot.y - placesOf(before)[i]!.y)).toBeLessThan(0.004),
          )
        },
      ),
      { numRuns: 30 },
    )
  })

  it('have only those edges drawn again that they move, and those as ever', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LAYOUT_TEMPLATES),
        fc.array(fc.tuple(fc.nat(), fc.double({ min: -0.03, max: 0.03, noNaN: true })), { minLength: 1, maxLength: 4 }),
        (template, moves) => {
          const draw = edgeDrawer(head)
          let division = divisionOf(template)
          let drawn = draw(division)
          for (const [pick, by] of moves) {
            const vertex = division.vertices[pick % division.vertices.length]!
            const at = diskFromPlace({ psi: (vertex.psiDeg * Math.PI) / 180, s: vertex.s })
            const moved = moveVertex(division, vertex.id, { x: at.x + by, y: at.y - by })
            const next = draw(moved)
            expect(next).toEqual(drawEdges(head, moved))
            for (const { id, from, to } of moved.edges)
              if (from !== vertex.id && to !== vertex.id) expect(next.get(id)).toBe(drawn.get(id))
            division = moved
            drawn = next
          }
        },
      ),
      { numRuns: 40 },
    )
  })

  it('cannot make two zones one that share nothing', () => {
    expect(() => merge(divisionOf('topStrip'), 'nape', 'top')).toThrow(DivisionError)
  })
})
