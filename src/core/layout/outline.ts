import { mapFromPlace, type Head } from '../head'
import type { BoundaryStep, Layout, LayoutEdge, MapPoint, Place, StoredPlace } from '../model'
import { radians } from '../units'

/** Longest straight piece of a parting in the unit disk, and of the hairline in azimuth. About 6 mm on the head. */
const DISK_STEP = 0.05
const HAIRLINE_STEP = radians(2)

export const placeOf = (place: StoredPlace): Place => ({ psi: radians(place.psiDeg), s: place.s })

/**
 * Every edge drawn once on a head's map, from `from` to `to`. A parting is straight between its places in the disk of
 * radius s, so it may cross the apex; a hairline follows s = 1 towards growing azimuth.
 */
export function drawEdges(head: Head, layout: Layout): Map<string, MapPoint[]> {
  const vertices = new Map(layout.vertices.map((vertex) => [vertex.id, placeOf(vertex)]))
  const drawn = new Map<string, MapPoint[]>()
  for (const edge of layout.edges) {
    const from = vertices.get(edge.from)
    const to = vertices.get(edge.to)
    if (!from || !to) throw new Error(`Edge ${edge.id} names a vertex that is not there.`)
    const places = edge.kind === 'hairline' ? alongHairline(from, to) : alongParting(edge, from, to)
    drawn.set(
      edge.id,
      places.map((place) => mapFromPlace(head, place)),
    )
  }
  return drawn
}

function alongHairline(from: Place, to: Place): Place[] {
  const turn = 2 * Math.PI
  const span = ((((to.psi - from.psi) % turn) + turn) % turn) || turn
  const steps = Math.max(1, Math.ceil(span / HAIRLINE_STEP))
  return Array.from({ length: steps + 1 }, (_, i) => ({ psi: from.psi + (span * i) / steps, s: 1 }))
}

function alongParting(edge: LayoutEdge, from: Place, to: Place): Place[] {
  const corners = [from, ...edge.via.map(placeOf), to].map((place) => ({
    x: place.s * Math.sin(place.psi),
    y: place.s * Math.cos(place.psi),
  }))
  const places: Place[] = []
  corners.forEach((corner, i) => {
    const next = corners[i + 1]
    const steps = next ? Math.max(1, Math.ceil(Math.hypot(next.x - corner.x, next.y - corner.y) / DISK_STEP)) : 1
    for (let step = 0; step < steps; step++) {
      const t = step / steps
      const x = next ? corner.x + t * (next.x - corner.x) : corner.x
      const y = next ? corner.y + t * (next.y - corner.y) : corner.y
      places.push({ psi: Math.atan2(x, y), s: Math.hypot(x, y) })
    }
  })
  return places
}

/** The closed outline of a zone from the drawn edges, anticlockwise as the map is drawn, without a repeated last point. */
export function joinOutline(edges: Map<string, MapPoint[]>, boundary: BoundaryStep[]): MapPoint[] {
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
    for (let j = i + 2; j < count; j++) {
      const c = outline[j]!
      const d = outline[(j + 1) % count]!
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
