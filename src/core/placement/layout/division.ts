import { byId, type BoundaryStep, type LayoutEdge, type LayoutVertex, type StoredPlace } from '../../model'
import { diskFromPlace, edgeCorners, insidePolygon, placeFromDisk, placeOf, storedPlace, type DiskPoint } from './disk'
import { MOST_VIA, SNAP_WITHIN } from './constants'

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

export const vertexMap = ({ vertices }: Pick<Division<Bounded>, 'vertices'>) =>
  new Map(vertices.map((vertex) => [vertex.id, vertex]))

/** The closed outline of a zone in the disk, with the boundary step that each corner begins. */
export function outlineOf(division: Division<Bounded>, zone: Bounded): { points: DiskPoint[]; steps: number[] } {
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

export const distance = (a: DiskPoint, b: DiskPoint): number => Math.hypot(a.x - b.x, a.y - b.y)

/** A division without some edges, and without the corners that only they led to; its zones still name them. */
export function withoutEdges<Z extends Bounded>(division: Division<Z>, gone: ReadonlySet<string>): Division<Z> {
  const edges = division.edges.filter(({ id }) => !gone.has(id))
  const used = new Set(edges.flatMap(({ from, to }) => [from, to]))
  return { ...division, vertices: division.vertices.filter(({ id }) => used.has(id)), edges }
}

/** A place along a line. @param along in segments */
export function pointAlong(line: readonly DiskPoint[], along: number): DiskPoint {
  const i = Math.min(Math.floor(along), line.length - 2)
  const [a, b] = [line[i]!, line[i + 1]!]
  return { x: a.x + (along - i) * (b.x - a.x), y: a.y + (along - i) * (b.y - a.y) }
}

/**
 * Puts a vertex where a line meets a zone's boundary: one that is near, or a new one that splits the edge for both its
 * zones.
 */
export function withVertex<Z extends Bounded>(
  division: Division<Z>,
  edgeId: string,
  point: DiskPoint,
): { division: Division<Z>; vertex: string; parts?: string[] } {
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
  const parts = [head.id, tail.id]
  return {
    vertex: vertex.id,
    parts,
    division: {
      vertices: [...division.vertices, vertex],
      edges: division.edges.flatMap((each) => (each.id === edge.id ? [head, tail] : [each])),
      zones: division.zones.map((each) => ({
        ...each,
        boundary: inParts(each.boundary, edge.id, parts),
      })),
    },
  }
}

/** A walk with the parts of an edge in the edge's place. */
export const inParts = (walk: readonly BoundaryStep[], edgeId: string, parts: readonly string[]): BoundaryStep[] =>
  walk.flatMap((one) => {
    if (one.edge !== edgeId) return [one]
    const steps = parts.map((edge) => ({ edge, reversed: one.reversed }))
    return one.reversed ? steps.reverse() : steps
  })

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

/** A drawn line with no more places than are stored. */
export function evenlyThinned(points: readonly DiskPoint[]): readonly DiskPoint[] {
  if (points.length <= MOST_VIA) return points
  return Array.from({ length: MOST_VIA }, (_, i) => points[Math.round((i * (points.length - 1)) / (MOST_VIA - 1))]!)
}

export function freshId(items: readonly { id: string }[], stem: string): string {
  let n = items.length + 1
  while (items.some(({ id }) => id === `${stem}${n}`)) n++
  return `${stem}${n}`
}
