import { byId, type LayoutEdge, type StoredPlace } from '../../model'
import { diskFromPlace, edgeCorners, placeFromDisk, placeOf, storedPlace, type DiskPoint } from './disk'
import { vertexMap, type Bounded, type Division } from './division'

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
