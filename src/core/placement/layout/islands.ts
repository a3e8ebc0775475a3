import { byId, type BoundaryStep, type LayoutEdge, type LayoutVertex } from '../../model'
import {
  crossing,
  diskArea,
  diskFromPlace,
  insidePolygon,
  nearestOnSegment,
  placeFromDisk,
  placeOf,
  storedPlace,
  type DiskPoint,
} from './disk'
import {
  distance,
  DivisionError,
  evenlyThinned,
  freshId,
  inParts,
  outlineOf,
  vertexMap,
  withoutEdges,
  withVertex,
  zoneOutline,
  type Bounded,
  type Division,
} from './division'
import { begunAt, bridgesOf, loopsOf } from './loops'
import { CLOSEST_PARTINGS, SMALLEST_ZONE, SNAP_WITHIN } from './constants'

type Segment = readonly [DiskPoint, DiskPoint]

const segmentsOf = (points: readonly DiskPoint[]): Segment[] =>
  points.map((point, i) => [point, points[(i + 1) % points.length]!])

/** Whether two segments meet anywhere but in an end they share. */
function meet([a, b]: Segment, [c, d]: Segment): boolean {
  if ([c, d].some((end) => distance(a, end) < 1e-9 || distance(b, end) < 1e-9)) return false
  return crossing(a, b, c, d) !== undefined
}

/**
 * Takes a section out of the zone around it along a parting that is closed in itself: a circle, a diamond, an island.
 * What lay in it before stays in it.
 * @param line in the disk, its last place not the first again, within one zone
 * @param make the new zone, from the one around it @throws DivisionError when there is no room for it
 */
export function encircle<Z extends Bounded>(
  division: Division<Z>,
  zone: Z,
  line: readonly DiskPoint[],
  make: (parent: Z) => Z,
): Division<Z> {
  const around = evenlyThinned(line)
  if (Math.abs(diskArea(around)) < SMALLEST_ZONE)
    throw new DivisionError('This circle is too small for a zone. Draw it larger.')
  if (gap(segmentsOf(around), wallsOf(division, zone.boundary)) < CLOSEST_PARTINGS)
    throw new DivisionError('This circle lies against an edge. Draw it over the edge, or farther from it.')
  const { division: drawn, loop } = withLoop(division, around)
  const against = loop.map(({ edge, reversed }) => ({ edge, reversed: !reversed })).reverse()
  const [outer, ...islands] = [...loopsOf(zone.boundary)].sort((a, b) => sizeOf(division, b) - sizeOf(division, a))
  const isInside = (walk: readonly BoundaryStep[]) => insidePolygon(pointsOf(division, walk)[0]!, around)
  const made = make(zone)
  const split = {
    ...drawn,
    zones: drawn.zones.flatMap((each) => (each.id === zone.id ? [each, { ...made, boundary: loop }] : [each])),
  }
  const rest = bridged(split, zone.id, [outer!, against, ...islands.filter((walk) => !isInside(walk))])
  return bridged(rest, made.id, [byId(rest.zones, made.id).boundary, ...islands.filter(isInside)])
}

/** A closed line as two partings between two new corners, and the walk round it with its inside on the zone's hand. */
function withLoop<Z extends Bounded>(
  { vertices, edges, zones }: Division<Z>,
  line: readonly DiskPoint[],
): { division: Division<Z>; loop: BoundaryStep[] } {
  const half = Math.floor(line.length / 2)
  const place = (point: DiskPoint) => storedPlace(placeFromDisk(point))
  const first: LayoutVertex = { id: freshId(vertices, 'corner'), ...place(line[0]!) }
  const second: LayoutVertex = { id: freshId([...vertices, first], 'corner'), ...place(line[half]!) }
  const there: LayoutEdge = {
    id: freshId(edges, 'parting'),
    kind: 'parting',
    from: first.id,
    to: second.id,
    via: line.slice(1, half).map(place),
  }
  const back: LayoutEdge = {
    id: freshId([...edges, there], 'parting'),
    kind: 'parting',
    from: second.id,
    to: first.id,
    via: line.slice(half + 1).map(place),
  }
  const forward = diskArea(line) > 0
  const loop = (forward ? [there, back] : [back, there]).map(({ id }) => ({ edge: id, reversed: !forward }))
  return { loop, division: { vertices: [...vertices, first, second], edges: [...edges, there, back], zones } }
}

const pointsOf = (division: Division<Bounded>, walk: readonly BoundaryStep[]): DiskPoint[] =>
  zoneOutline(division, { id: '', boundary: [...walk] })
const sizeOf = (division: Division<Bounded>, walk: readonly BoundaryStep[]): number =>
  Math.abs(diskArea(pointsOf(division, walk)))

/**
 * Gives a zone the closed walks round it as one boundary: each island joined to the rest by the shortest bridge that
 * crosses nothing.
 * @param away a line that bridges keep clear of @throws DivisionError when there is no way
 */
export function bridged<Z extends Bounded>(
  division: Division<Z>,
  zoneId: string,
  loops: readonly BoundaryStep[][],
  away: readonly DiskPoint[] = [],
): Division<Z> {
  const bounded = (on: Division<Z>, boundary: BoundaryStep[]): Division<Z> => ({
    ...on,
    zones: on.zones.map((zone) => (zone.id === zoneId ? { ...zone, boundary } : zone)),
  })
  let result = bounded(withoutEdges(division, bridgesOf(byId(division.zones, zoneId).boundary)), [])
  let [joined, ...rest] = [...loops].sort((a, b) => sizeOf(result, b) - sizeOf(result, a)) as [
    BoundaryStep[],
    ...BoundaryStep[][],
  ]
  while (rest.length > 0) {
    const bridge = shortestBridge(result, joined, rest, away)
    if (!bridge)
      throw new DivisionError('There is no room around this parting. Leave a little more, or end it elsewhere.')
    const cornerAt = ({ edge, point }: BridgeEnd): string => {
      const { division: next, vertex, parts } = withVertex(result, edge, point)
      result = next
      if (parts) {
        joined = inParts(joined, edge, parts)
        rest = rest.map((walk) => inParts(walk, edge, parts))
      }
      return vertex
    }
    const [from, to] = [cornerAt(bridge.from), cornerAt(bridge.to)]
    const edge: LayoutEdge = { id: freshId(result.edges, 'bridge'), kind: 'parting', from, to, via: [] }
    result = { ...result, edges: [...result.edges, edge] }
    const island = rest.splice(bridge.island, 1)[0]!
    joined = [
      ...begunAt(result.edges, joined, from),
      { edge: edge.id, reversed: false },
      ...begunAt(result.edges, island, to),
      { edge: edge.id, reversed: true },
    ]
  }
  return bounded(result, joined)
}

interface BridgeEnd {
  edge: string
  point: DiskPoint
  isCorner: boolean
}

/**
 * The shortest way from a joined walk to one of the islands left. It ends in a corner of the island where it can, so
 * that the island's partings stay whole and move together.
 */
function shortestBridge(
  division: Division<Bounded>,
  joined: readonly BoundaryStep[],
  islands: readonly (readonly BoundaryStep[])[],
  away: readonly DiskPoint[],
): { from: BridgeEnd; to: BridgeEnd; island: number } | undefined {
  const endsOf = (walk: readonly BoundaryStep[]): BridgeEnd[] => {
    const { points, steps } = outlineOf(division, { id: '', boundary: [...walk] })
    return points.map((point, i) => ({ point, edge: walk[steps[i]!]!.edge, isCorner: steps[i] !== steps[i - 1] }))
  }
  const clear = ({ point }: BridgeEnd) => away.every((place) => distance(place, point) > 2 * SNAP_WITHIN)
  const walls = [joined, ...islands].flatMap((walk) => segmentsOf(pointsOf(division, walk)))
  const line = away.slice(1).map((point, i): Segment => [away[i]!, point])
  const outer = endsOf(joined).filter(clear)
  const pairs = islands.flatMap((walk, island) =>
    endsOf(walk)
      .filter(clear)
      .flatMap((to) => outer.map((from) => ({ from, to, island, length: distance(from.point, to.point) }))),
  )
  return pairs
    .sort((a, b) => Number(b.to.isCorner) - Number(a.to.isCorner) || a.length - b.length)
    .find(({ from, to }) => {
      const way: Segment = [from.point, to.point]
      return !walls.some((wall) => meet(way, wall)) && !line.some(([a, b]) => crossing(...way, a, b))
    })
}

/** A division in which the bridges of a zone keep clear of a line that is to be drawn. */
export function bridgedClearOf<Z extends Bounded>(
  division: Division<Z>,
  zoneId: string,
  line: readonly DiskPoint[],
): Division<Z> {
  const { boundary } = byId(division.zones, zoneId)
  const near = waysOf(division, boundary).some((way) =>
    line.some(
      (point, i) =>
        way.some((end) => distance(end, point) < 2 * SNAP_WITHIN) || (i > 0 && crossing(...way, line[i - 1]!, point)),
    ),
  )
  return near ? bridged(division, zoneId, loopsOf(boundary), line) : division
}

/** A division in which no bridge crosses a parting: those that came to do so when something moved are laid anew. */
export function bridgedAnew<Z extends Bounded>(division: Division<Z>): Division<Z> {
  return division.zones.reduce((result, { id }) => {
    const { boundary } = byId(result.zones, id)
    const ways = waysOf(result, boundary)
    if (ways.length === 0) return result
    const walls = wallsOf(result, boundary)
    return ways.some((way) => walls.some((wall) => meet(way, wall))) ? bridged(result, id, loopsOf(boundary)) : result
  }, division)
}

/** The outline of a zone and of the islands in it, side by side, without bridges. */
export const wallsOf = (division: Division<Bounded>, boundary: readonly BoundaryStep[]): Segment[] =>
  loopsOf(boundary).flatMap((walk) => segmentsOf(pointsOf(division, walk)))

/** How near lines come to each other that do not meet. */
function gap(lines: readonly Segment[], others: readonly Segment[]): number {
  const toNearest = (point: DiskPoint, [a, b]: Segment) => distance(point, nearestOnSegment(point, a, b))
  return Math.min(
    ...lines.map((line) =>
      Math.min(...others.map((other) => Math.min(toNearest(line[0], other), toNearest(other[0], line)))),
    ),
  )
}

/** The bridges of a boundary as they lie in the disk. */
function waysOf(division: Division<Bounded>, boundary: readonly BoundaryStep[]): Segment[] {
  const vertices = vertexMap(division)
  const at = (id: string) => diskFromPlace(placeOf(vertices.get(id)!))
  return [...bridgesOf(boundary)].map((id) => {
    const { from, to } = byId(division.edges, id)
    return [at(from), at(to)]
  })
}
