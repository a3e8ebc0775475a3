/* eslint-disable max-lines -- one structure: the subdivision and the edits that keep its laws */
import { between } from '../../numeric'
import { byId, type BoundaryStep, type LayoutEdge, type LayoutVertex, type StoredPlace } from '../../model'
import {
  crossing,
  diskArea,
  diskFromPlace,
  edgeCorners,
  insidePolygon,
  placeFromDisk,
  placeOf,
  storedPlace,
  type DiskPoint,
} from './disk'
import { SNAP_WITHIN, SMALLEST_ZONE, MOST_VIA } from './constants'

/** What a zone has to have to be cut, merged and moved. */
export interface Bounded {
  id: string
  boundary: BoundaryStep[]
}

/** One planar subdivision of the scalp: partings and hairlines between vertices, and zones walked along them. */
export interface Division<Z extends Bounded> {
  vertices: LayoutVertex[]
  edges: LayoutEdge[]
  zones: Z[]
}

/** Thrown when partings cannot be changed as asked; the message says what would work. */
export class DivisionError extends Error {
  override name = 'DivisionError'
}

/** The whole scalp as one zone, its hairline in two halves. */
export const wholeScalp = (): Division<Bounded> => ({
  vertices: [
    { id: 'face', psiDeg: 0, s: 1 },
    { id: 'nape', psiDeg: 180, s: 1 },
  ],
  edges: [
    { id: 'hairlineLeft', kind: 'hairline', from: 'face', to: 'nape', via: [] },
    { id: 'hairlineRight', kind: 'hairline', from: 'nape', to: 'face', via: [] },
  ],
  zones: [{ id: 'scalp', boundary: ['hairlineLeft', 'hairlineRight'].map((edge) => ({ edge, reversed: false })) }],
})

const vertexMap = ({ vertices }: Pick<Division<Bounded>, 'vertices'>) =>
  new Map(vertices.map((vertex) => [vertex.id, vertex]))

/** The closed outline of a zone in the disk, with the boundary step that each corner begins. */
function outlineOf(division: Division<Bounded>, zone: Bounded): { points: DiskPoint[]; steps: number[] } {
  const vertices = vertexMap(division)
  const edges = new Map(division.edges.map((edge) => [edge.id, edge]))
  const points: DiskPoint[] = []
  const steps: number[] = []
  zone.boundary.forEach(({ edge, reversed }, step) => {
    const corners = edgeCorners(edges.get(edge)!, vertices)
    const walked = reversed ? corners.reverse() : corners
    for (const point of walked.slice(0, -1)) {
      points.push(point)
      steps.push(step)
    }
  })
  return { points, steps }
}

/** Outline of a zone in the disk, anticlockwise as the map is drawn. */
export const zoneOutline = (division: Division<Bounded>, zone: Bounded): DiskPoint[] => outlineOf(division, zone).points

/** The zone a point of the disk lies in. */
export const zoneAt = <Z extends Bounded>(division: Division<Z>, point: DiskPoint): Z | undefined =>
  division.zones.find((zone) => insidePolygon(point, zoneOutline(division, zone)))

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
  let result = division
  let done = 0
  for (const { id } of division.zones.filter(which)) {
    // One line may enter a bent zone several times; each stay is cut on its own.
    for (let round = 0; round < 4; round++) {
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
    if (distance(from.point, to.point) < SNAP_WITHIN && to.along - from.along < 1e-3) continue
    const middle = pointAlong(line, (from.along + to.along) / 2)
    if (insidePolygon(middle, points) && !onOutline(middle, points)) return [from, to]
  }
  return undefined
}

const distance = (a: DiskPoint, b: DiskPoint): number => Math.hypot(a.x - b.x, a.y - b.y)

/** Whether a point lies on an outline, so that a line along a parting does not cut it again. */
function onOutline(point: DiskPoint, outline: readonly DiskPoint[]): boolean {
  return outline.some((a, k) => {
    const b = outline[(k + 1) % outline.length]!
    const length = distance(a, b)
    if (length < 1e-9) return false
    const t = Math.min(1, Math.max(0, ((point.x - a.x) * (b.x - a.x) + (point.y - a.y) * (b.y - a.y)) / length ** 2))
    return distance(point, { x: between(a.x, b.x, t), y: between(a.y, b.y, t) }) < 1e-4
  })
}

function pointAlong(line: readonly DiskPoint[], along: number): DiskPoint {
  const i = Math.min(Math.floor(along), line.length - 2)
  const [a, b] = [line[i]!, line[i + 1]!]
  return { x: a.x + (along - i) * (b.x - a.x), y: a.y + (along - i) * (b.y - a.y) }
}

function cutZone<Z extends Bounded>(
  division: Division<Z>,
  zone: Z,
  line: readonly DiskPoint[],
  [from, to]: [Hit, Hit],
  make: (parent: Z) => Z,
): Division<Z> {
  const start = withVertex(division, zone.id, from)
  const end = withVertex(start.division, zone.id, relocated(division, start.division, zone.id, to))
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
  const edges = new Map(division.edges.map((edge) => [edge.id, edge]))
  const begins = ({ edge, reversed }: BoundaryStep) => (reversed ? edges.get(edge)!.to : edges.get(edge)!.from)
  const start = zone.boundary.findIndex((step) => begins(step) === from)
  const walked = [...zone.boundary.slice(start), ...zone.boundary.slice(0, start)]
  const turn = walked.findIndex((step) => begins(step) === to)
  return { first: walked.slice(0, turn), second: walked.slice(turn) }
}

/**
 * Puts a vertex where a line meets a zone's boundary: one that is near, or a new one that splits the edge for both its
 * zones.
 */
function withVertex<Z extends Bounded>(
  division: Division<Z>,
  zoneId: string,
  { step, point }: Hit,
): { division: Division<Z>; vertex: string } {
  const zone = byId(division.zones, zoneId)
  const { edge: edgeId } = zone.boundary[step]!
  const edge = byId(division.edges, edgeId)
  const vertices = vertexMap(division)
  const near = [edge.from, edge.to].find(
    (id) => distance(diskFromPlace(placeOf(vertices.get(id)!)), point) < SNAP_WITHIN,
  )
  if (near) return { division, vertex: near }
  const vertex: LayoutVertex = {
    id: freshId(division.vertices, 'corner'),
    ...storedPlace(edge.kind === 'hairline' ? { ...placeFromDisk(point), s: 1 } : placeFromDisk(point)),
  }
  const at = viaBefore(edge, vertices, point)
  // A stored place that the new corner all but coincides with is no place of its own any more.
  const apart = (place: StoredPlace) => distance(diskFromPlace(placeOf(place)), point) > SNAP_WITHIN / 2
  const head: LayoutEdge = { ...edge, to: vertex.id, via: edge.via.slice(0, at).filter(apart) }
  const tail: LayoutEdge = {
    ...edge,
    id: freshId(division.edges, edge.kind === 'hairline' ? 'hairline' : 'parting'),
    from: vertex.id,
    via: edge.via.slice(at).filter(apart),
  }
  return {
    vertex: vertex.id,
    division: {
      vertices: [...division.vertices, vertex],
      edges: division.edges.flatMap((each) => (each.id === edge.id ? [head, tail] : [each])),
      zones: division.zones.map((each) => ({
        ...each,
        boundary: each.boundary.flatMap((one) => {
          if (one.edge !== edge.id) return [one]
          const parts = [head.id, tail.id].map((id) => ({ edge: id, reversed: one.reversed }))
          return one.reversed ? parts.reverse() : parts
        }),
      })),
    },
  }
}

/** How many of an edge's places lie before a point on it. */
function viaBefore(edge: LayoutEdge, vertices: ReadonlyMap<string, LayoutVertex>, point: DiskPoint): number {
  if (edge.kind === 'hairline') return 0
  const corners = edgeCorners(edge, vertices)
  const offBy = (i: number) =>
    distance(corners[i]!, point) + distance(point, corners[i + 1]!) - distance(corners[i]!, corners[i + 1]!)
  let best = 0
  for (let i = 1; i + 1 < corners.length; i++) if (offBy(i) < offBy(best)) best = i
  return best
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

function evenlyThinned(points: readonly DiskPoint[]): readonly DiskPoint[] {
  if (points.length <= MOST_VIA) return points
  return Array.from({ length: MOST_VIA }, (_, i) => points[Math.round((i * (points.length - 1)) / (MOST_VIA - 1))]!)
}

function freshId(items: readonly { id: string }[], stem: string): string {
  let n = items.length + 1
  while (items.some(({ id }) => id === `${stem}${n}`)) n++
  return `${stem}${n}`
}

/**
 * Makes two neighbouring zones one; the larger keeps its name.
 * @throws DivisionError when they share no parting, or one would enclose another zone
 */
export function merge<Z extends Bounded>(division: Division<Z>, oneId: string, otherId: string): Division<Z> {
  const find = (id: string) => byId(division.zones, id)
  const [one, other] = [find(oneId), find(otherId)]
  const shared = new Set(
    one.boundary.map(({ edge }) => edge).filter((edge) => other.boundary.some((step) => step.edge === edge)),
  )
  if (shared.size === 0)
    throw new DivisionError(
      'These zones share no parting, so they cannot become one. Choose two that lie side by side.',
    )
  const [mine, theirs] = [one, other].map(({ boundary }) => withoutRun(boundary, shared))
  if (!mine || !theirs) throw new DivisionError('Together these zones would enclose another one. Merge that one first.')
  const larger = diskArea(zoneOutline(division, one)) >= diskArea(zoneOutline(division, other)) ? one : other
  const gone = larger === one ? other : one
  const edges = division.edges.filter(({ id }) => !shared.has(id))
  const used = new Set(edges.flatMap(({ from, to }) => [from, to]))
  return {
    vertices: division.vertices.filter(({ id }) => used.has(id)),
    edges,
    zones: division.zones.flatMap((zone) =>
      zone.id === gone.id ? [] : [zone.id === larger.id ? { ...zone, boundary: [...mine, ...theirs] } : zone],
    ),
  }
}

/** A boundary without the stretch it shares, begun after it; nothing when it shares more than one stretch. */
function withoutRun(boundary: readonly BoundaryStep[], shared: ReadonlySet<string>): BoundaryStep[] | undefined {
  const start = boundary.findIndex(
    (step, i) => !shared.has(step.edge) && shared.has(boundary[(i + boundary.length - 1) % boundary.length]!.edge),
  )
  if (start < 0) return undefined
  const walked = [...boundary.slice(start), ...boundary.slice(0, start)]
  const own = walked.findIndex(({ edge }) => shared.has(edge))
  return walked.slice(own).every(({ edge }) => shared.has(edge)) ? walked.slice(0, own) : undefined
}

/** Moves a corner; one on the hairline slides along it, partings that end in it follow with their nearer part. */
export function moveVertex<Z extends Bounded>(division: Division<Z>, vertexId: string, to: DiskPoint): Division<Z> {
  const vertex = byId(division.vertices, vertexId)
  const onRim = division.edges.some(
    (edge) => edge.kind === 'hairline' && (edge.from === vertexId || edge.to === vertexId),
  )
  const place = placeFromDisk(to)
  const moved: StoredPlace = storedPlace(onRim ? { ...place, s: 1 } : { ...place, s: Math.min(0.995, place.s) })
  const before = diskFromPlace(placeOf(vertex))
  const after = diskFromPlace(placeOf(moved))
  return {
    ...division,
    vertices: division.vertices.map((each) => (each.id === vertexId ? { ...each, ...moved } : each)),
    edges: division.edges.map((edge) => {
      if (edge.kind === 'hairline' || (edge.from !== vertexId && edge.to !== vertexId)) return edge
      const near =
        edge.from === vertexId
          ? (i: number) => 1 - (i + 1) / (edge.via.length + 1)
          : (i: number) => (i + 1) / (edge.via.length + 1)
      return {
        ...edge,
        via: edge.via.map((one, i) => shifted(one, (after.x - before.x) * near(i), (after.y - before.y) * near(i))),
      }
    }),
  }
}

/** Moves a whole parting with both its ends; ends on the hairline slide along it. @param by in the disk */
export function moveParting<Z extends Bounded>(division: Division<Z>, edgeId: string, by: DiskPoint): Division<Z> {
  const { from, to } = byId(division.edges, edgeId)
  // Each end carries the nearer part of the parting along, so together they carry all of it.
  return [from, to].reduce((moved, id) => {
    const { x, y } = diskFromPlace(placeOf(byId(moved.vertices, id)))
    return moveVertex(moved, id, { x: x + by.x, y: y + by.y })
  }, division)
}

/**
 * Bends a parting so that a place on it comes to another; its ends stay.
 * @param at which of its stored places, from 0
 */
export function bendParting<Z extends Bounded>(
  division: Division<Z>,
  edgeId: string,
  at: number,
  to: DiskPoint,
): Division<Z> {
  return {
    ...division,
    edges: division.edges.map((edge) => {
      if (edge.id !== edgeId || edge.kind !== 'parting') return edge
      const via = edge.via.length > 0 ? edge.via : [middleOf(division, edge)]
      const from = diskFromPlace(placeOf(via[Math.min(at, via.length - 1)]!))
      const centre = Math.min(at, via.length - 1)
      // The pull falls off towards both ends, so that the parting stays one sweep.
      const pull = (i: number) =>
        (i <= centre ? (i + 1) / (centre + 1) : (via.length - i) / (via.length - centre)) ** 1.5
      return { ...edge, via: via.map((one, i) => shifted(one, (to.x - from.x) * pull(i), (to.y - from.y) * pull(i))) }
    }),
  }
}

function middleOf(division: Division<Bounded>, edge: LayoutEdge): StoredPlace {
  const [a, b] = edgeCorners(edge, vertexMap(division)) as [DiskPoint, DiskPoint]
  return storedPlace(placeFromDisk({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }))
}

function shifted(place: StoredPlace, dx: number, dy: number): StoredPlace {
  const { x, y } = diskFromPlace(placeOf(place))
  const moved = placeFromDisk({ x: x + dx, y: y + dy })
  return storedPlace({ ...moved, s: Math.min(0.999, moved.s) })
}

/** A line seen in the mirror of the centre line. */
export const mirrored = (line: readonly DiskPoint[]): DiskPoint[] => line.map(({ x, y }) => ({ x: -x, y }))
