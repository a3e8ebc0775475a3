import { mapFromPlace, type Head } from '../../scalp/head'
import type { BoundaryStep, Layout, LayoutEdge, LayoutVertex, MapPoint } from '../../model'
import { edgeCorners, placeFromDisk, type DiskPoint } from './disk'
import { DISK_STEP } from './constants'

/** Points of every edge on a head's map by the edge's id, from `from` to `to`. */
export type DrawnEdges = Map<string, MapPoint[]>

/**
 * Every edge drawn once on a head's map. A parting is straight between its places in the disk of
 * radius s, so it may cross the apex; a hairline follows s = 1 towards growing azimuth.
 */
export function drawEdges(head: Head, { vertices, edges }: Pick<Layout, 'vertices' | 'edges'>): DrawnEdges {
  const byId = new Map(vertices.map((vertex) => [vertex.id, vertex]))
  return new Map(edges.map((edge) => [edge.id, drawEdge(head, edge, byId)]))
}

/**
 * {@link drawEdges} for layouts that follow each other while a hand drags: edges that are the very objects drawn
 * before, with the same ends, are not drawn again. Layouts given to it must not be changed in place.
 */
export function edgeDrawer(head: Head): (layout: Pick<Layout, 'vertices' | 'edges'>) => DrawnEdges {
  const known = new WeakMap<
    LayoutEdge,
    { from: LayoutVertex | undefined; to: LayoutVertex | undefined; points: MapPoint[] }
  >()
  return ({ vertices, edges }) => {
    const byId = new Map(vertices.map((vertex) => [vertex.id, vertex]))
    return new Map(
      edges.map((edge) => {
        const [from, to] = [byId.get(edge.from), byId.get(edge.to)]
        const last = known.get(edge)
        const points = last && last.from === from && last.to === to ? last.points : drawEdge(head, edge, byId)
        known.set(edge, { from, to, points })
        return [edge.id, points]
      }),
    )
  }
}

function drawEdge(head: Head, edge: LayoutEdge, vertices: ReadonlyMap<string, LayoutVertex>): MapPoint[] {
  const corners = edgeCorners(edge, vertices)
  const points = edge.kind === 'hairline' ? corners : inSteps(corners)
  return points.map((point) => mapFromPlace(head, placeFromDisk(point)))
}

function inSteps(corners: readonly DiskPoint[]): DiskPoint[] {
  const points: DiskPoint[] = []
  corners.forEach((corner, i) => {
    const next = corners[i + 1]
    const [dx, dy] = next ? [next.x - corner.x, next.y - corner.y] : [0, 0]
    const steps = Math.max(1, Math.ceil(Math.sqrt(dx * dx + dy * dy) / DISK_STEP))
    for (let step = 0; step < steps; step++)
      points.push({ x: corner.x + (step / steps) * dx, y: corner.y + (step / steps) * dy })
  })
  return points
}

/**
 * The closed outline of a zone from the drawn edges, anticlockwise as the map is drawn, without a repeated last point.
 */
export function joinOutline(edges: DrawnEdges, boundary: BoundaryStep[]): MapPoint[] {
  const outline: MapPoint[] = []
  for (const step of boundary) {
    const edge = edges.get(step.edge)
    if (!edge) throw new Error(`A boundary names the edge ${step.edge}, which is not there.`)
    const walked = step.reversed ? [...edge].reverse() : edge
    outline.push(...walked.slice(0, -1))
  }
  return outline
}

/** Signed area of a closed polygon, cm²; positive when anticlockwise. */
export function signedArea(outline: readonly MapPoint[]): number {
  let sum = 0
  let previous = outline[outline.length - 1]!
  for (const point of outline) {
    sum += previous.x * point.y - point.x * previous.y
    previous = point
  }
  return sum / 2
}

/** Whether two sides of a closed polygon cross properly. */
export function crossesItself(outline: readonly MapPoint[]): boolean {
  const count = outline.length
  for (let i = 0; i < count; i++) {
    const a = outline[i]!
    const b = outline[(i + 1) % count]!
    const left = Math.min(a.x, b.x)
    const right = Math.max(a.x, b.x)
    for (let j = i + 2; j < count; j++) {
      const c = outline[j]!
      const d = outline[(j + 1) % count]!
      // Most sides lie well apart, which is quickly seen.
      if ((c.x < left && d.x < left) || (c.x > right && d.x > right)) continue
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true
    }
  }
  return false
}

/** On which side of the line a → b the point c lies; 0 within a hundredth of a square millimetre of it. */
function side(a: MapPoint, b: MapPoint, c: MapPoint): number {
  const cross = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
  return Math.abs(cross) < 1e-4 ? 0 : Math.sign(cross)
}
