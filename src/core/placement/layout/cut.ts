import { between } from '../../numeric'
import { byId, type BoundaryStep, type LayoutEdge } from '../../model'
import { crossing, diskArea, insidePolygon, placeFromDisk, storedPlace, type DiskPoint } from './disk'
import {
  distance,
  DivisionError,
  evenlyThinned,
  freshId,
  outlineOf,
  pointAlong,
  withVertex,
  zoneAt,
  zoneOutline,
  type Bounded,
  type Division,
} from './division'
import { bridgedClearOf, encircle, wallsOf } from './islands'
import { begunAt, startOf } from './loops'
import { LINE_OVERSHOOT, SMALLEST_ZONE, SNAP_WITHIN } from './constants'

/** A place where a line crosses a zone's outline. */
interface Hit {
  /** Along the line, in segments. */
  along: number
  /** Step of the boundary, and where on it. */
  step: number
  point: DiskPoint
}

/**
 * Lays a parting along a line of the disk: every zone that the line crosses from edge to edge is cut in two; where it
 * ends inside a zone nothing is cut. The larger piece keeps the zone, the other is made by `make`.
 * @param which cut only zones for which this holds @throws DivisionError when the line crosses itself, or cuts nothing
 */
export function cut<Z extends Bounded>(
  division: Division<Z>,
  line: readonly DiskPoint[],
  make: (parent: Z) => Z,
  which: (zone: Z) => boolean = () => true,
): Division<Z> {
  if (crosses(line)) throw new DivisionError('This parting crosses itself. Draw it in one sweep.')
  return cutAlong(division, line, make, which)
}

function cutAlong<Z extends Bounded>(
  division: Division<Z>,
  line: readonly DiskPoint[],
  make: (parent: Z) => Z,
  which: (zone: Z) => boolean = () => true,
): Division<Z> {
  let result = division
  let done = 0
  for (const { id } of division.zones.filter(which)) {
    // One line may enter a bent zone several times; each stay is cut on its own.
    for (let round = 0; round < 4; round++) {
      result = bridgedClearOf(result, id, line)
      const zone = byId(result.zones, id)
      const stay = firstStay(result, zone, line)
      if (!stay) break
      result = cutZone(result, zone, line, stay, make)
      done++
    }
  }
  if (done === 0)
    throw new DivisionError(
      'A parting has to run from one edge of a zone to another. Begin and end it on a parting or the hairline.',
    )
  return result
}

/**
 * Lays a parting that is closed in itself: within one zone it takes an island out of it; where it runs over partings,
 * each zone is cut along its stretch.
 * @param line in the disk, its last place not the first again @throws DivisionError
 */
export function cutClosed<Z extends Bounded>(
  division: Division<Z>,
  line: readonly DiskPoint[],
  make: (parent: Z) => Z,
): Division<Z> {
  const closed = [...line, line[0]!]
  // Only the last segment may meet the first, where they are joined.
  if (crosses(line) || crosses(closed.slice(1)))
    throw new DivisionError('This parting crosses itself. Draw it in one sweep.')
  const walls = division.zones.flatMap(({ boundary }) => wallsOf(division, boundary))
  for (let i = 0; i < line.length; i++)
    for (const [a, b] of walls) {
      const met = crossing(closed[i]!, closed[i + 1]!, a, b)
      if (met) return cutAlong(division, openedAt(line, i + met.t), make)
    }
  const zone = zoneAt(division, line[0]!)
  if (!zone) throw new DivisionError('This parting lies outside the hair. Draw it on the head.')
  return encircle(division, zone, line, make)
}

/** A closed line begun and ended where it meets an edge, a little over it at both ends. */
function openedAt(line: readonly DiskPoint[], along: number): DiskPoint[] {
  const round = [...line, ...line, ...line, line[0]!]
  const [from, to] = [line.length + along - LINE_OVERSHOOT, 2 * line.length + along + LINE_OVERSHOOT]
  return [pointAlong(round, from), ...round.slice(Math.floor(from) + 1, Math.floor(to) + 1), pointAlong(round, to)]
}

/** Whether a line crosses itself. */
function crosses(line: readonly DiskPoint[]): boolean {
  for (let i = 0; i + 1 < line.length; i++)
    for (let j = i + 2; j + 1 < line.length; j++)
      if (crossing(line[i]!, line[i + 1]!, line[j]!, line[j + 1]!)) return true
  return false
}

function firstStay(division: Division<Bounded>, zone: Bounded, line: readonly DiskPoint[]): [Hit, Hit] | undefined {
  const { points, steps } = outlineOf(division, zone)
  const hits: Hit[] = []
  for (let i = 0; i + 1 < line.length; i++)
    points.forEach((corner, k) => {
      const met = crossing(line[i]!, line[i + 1]!, corner, points[(k + 1) % points.length]!)
      if (met) hits.push({ along: i + met.t, step: steps[k]!, point: pointAlong(line, i + met.t) })
    })
  hits.sort((a, b) => a.along - b.along)
  for (let k = 0; k + 1 < hits.length; k++) {
    const [from, to] = [hits[k]!, hits[k + 1]!]
    const middle = pointAlong(line, (from.along + to.along) / 2)
    if (insidePolygon(middle, points) && !onOutline(middle, points)) return [from, to]
  }
  return undefined
}

/**
 * Whether a point lies as good as on an outline: a line along a parting does not cut it again, nor one past a corner
 * what is no wider than a corner catches.
 */
function onOutline(point: DiskPoint, outline: readonly DiskPoint[]): boolean {
  return outline.some((a, k) => {
    const b = outline[(k + 1) % outline.length]!
    const length = distance(a, b)
    if (length < 1e-9) return false
    const t = Math.min(1, Math.max(0, ((point.x - a.x) * (b.x - a.x) + (point.y - a.y) * (b.y - a.y)) / length ** 2))
    return distance(point, { x: between(a.x, b.x, t), y: between(a.y, b.y, t) }) < SNAP_WITHIN
  })
}

function cutZone<Z extends Bounded>(
  division: Division<Z>,
  zone: Z,
  line: readonly DiskPoint[],
  [from, to]: [Hit, Hit],
  make: (parent: Z) => Z,
): Division<Z> {
  const put = (on: Division<Z>, { step, point }: Hit) =>
    withVertex(on, byId(on.zones, zone.id).boundary[step]!.edge, point)
  const start = put(division, from)
  const end = put(start.division, relocated(division, start.division, zone.id, to))
  const result = end.division
  if (start.vertex === end.vertex)
    throw new DivisionError('This parting begins and ends in the same place. Let it run to another edge.')
  const bounded = byId(result.zones, zone.id)
  const { first, second } = sides(result, bounded, start.vertex, end.vertex)
  const inner = evenlyThinned(
    line.filter(
      (point, i) =>
        i > from.along &&
        i < to.along &&
        distance(point, from.point) > SNAP_WITHIN / 2 &&
        distance(point, to.point) > SNAP_WITHIN / 2,
    ),
  )
  const parting: LayoutEdge = {
    id: freshId(result.edges, 'parting'),
    kind: 'parting',
    from: start.vertex,
    to: end.vertex,
    via: inner.map((point) => storedPlace(placeFromDisk(point))),
  }
  const one = { ...bounded, boundary: [...first, { edge: parting.id, reversed: true }] }
  const made = make(bounded)
  const other = { ...made, boundary: [...second, { edge: parting.id, reversed: false }] }
  const next = { ...result, edges: [...result.edges, parting] }
  const [oneArea, otherArea] = [one, other].map((piece) => diskArea(zoneOutline(next, piece)))
  if (Math.min(oneArea!, otherArea!) < SMALLEST_ZONE)
    throw new DivisionError('This parting would leave a zone of no size. Move it further in, or end it elsewhere.')
  // The larger piece keeps the zone's name and what was set for it.
  const [kept, split] = oneArea! >= otherArea! ? [one.boundary, other.boundary] : [other.boundary, one.boundary]
  return {
    ...next,
    zones: result.zones.flatMap((each) =>
      each.id === zone.id
        ? [
            { ...each, boundary: kept },
            { ...made, boundary: split },
          ]
        : [each],
    ),
  }
}

/** The boundary from one vertex to another and back. */
function sides(
  division: Division<Bounded>,
  zone: Bounded,
  from: string,
  to: string,
): { first: BoundaryStep[]; second: BoundaryStep[] } {
  const walked = begunAt(division.edges, zone.boundary, from)
  const turn = walked.findIndex(({ edge, reversed }) => startOf(byId(division.edges, edge), reversed) === to)
  return { first: walked.slice(0, turn), second: walked.slice(turn) }
}

/** A hit's step after the boundary has grown by the vertex put in before it. */
function relocated(before: Division<Bounded>, after: Division<Bounded>, zoneId: string, hit: Hit): Hit {
  if (before === after) return hit
  const zone = byId(after.zones, zoneId)
  const { points, steps } = outlineOf(after, zone)
  let best = 0
  let nearest = Infinity
  points.forEach((a, k) => {
    const b = points[(k + 1) % points.length]!
    const off = distance(a, hit.point) + distance(hit.point, b) - distance(a, b)
    if (off < nearest) {
      nearest = off
      best = k
    }
  })
  return { ...hit, step: steps[best]! }
}
