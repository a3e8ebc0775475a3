import { withinTurn } from '../../numeric'
import type { LayoutEdge, LayoutVertex, Place, StoredPlace } from '../../model'
import { degrees, radians } from '../../units'
import { HAIRLINE_STEP } from './constants'

/**
 * A point of the unit disk in which partings are straight: x = s·sin ψ, y = s·cos ψ. The hairline is its rim on every
 * head.
 */
export interface DiskPoint {
  x: number
  y: number
}

export const diskFromPlace = ({ psi, s }: Place): DiskPoint => ({ x: s * Math.sin(psi), y: s * Math.cos(psi) })
// Not Math.hypot, which is many times slower.
export const placeFromDisk = ({ x, y }: DiskPoint): Place => ({ psi: Math.atan2(x, y), s: Math.sqrt(x * x + y * y) })
export const placeOf = (place: StoredPlace): Place => ({ psi: radians(place.psiDeg), s: place.s })

/** Stored places are rounded: a hundred-thousandth of a degree or of the way to the hairline is well under a hair. */
export const storedPlace = ({ psi, s }: Place): StoredPlace => ({
  psiDeg: round5(degrees(psi)),
  s: Math.min(1, round5(s)),
})
const round5 = (value: number): number => Math.round(value * 1e5) / 1e5

/** Corners of an edge in the disk from `from` to `to`: a parting's own, a hairline's in small steps of azimuth. */
export function edgeCorners(edge: LayoutEdge, vertices: ReadonlyMap<string, LayoutVertex>): DiskPoint[] {
  const from = vertices.get(edge.from)
  const to = vertices.get(edge.to)
  if (!from || !to) throw new Error(`Edge ${edge.id} names a vertex that is not there.`)
  if (edge.kind === 'hairline') return alongHairline(radians(from.psiDeg), radians(to.psiDeg))
  return [from, ...edge.via, to].map((place) => diskFromPlace(placeOf(place)))
}

function alongHairline(from: number, to: number): DiskPoint[] {
  const span = withinTurn(to - from) || 2 * Math.PI
  const steps = Math.max(1, Math.ceil(span / HAIRLINE_STEP))
  return Array.from({ length: steps + 1 }, (_, i) => diskFromPlace({ psi: from + (span * i) / steps, s: 1 }))
}

/**
 * Signed area of a closed polygon in the disk; positive where its azimuth grows along it, which is anticlockwise on the
 * map.
 */
export function diskArea(points: readonly DiskPoint[]): number {
  let sum = 0
  let previous = points[points.length - 1]!
  for (const point of points) {
    sum += point.x * previous.y - previous.x * point.y
    previous = point
  }
  return sum / 2
}

/** Whether a point lies inside a closed polygon (even-odd rule). */
export function insidePolygon(point: DiskPoint, polygon: readonly DiskPoint[]): boolean {
  let inside = false
  let a = polygon[polygon.length - 1]!
  for (const b of polygon) {
    if (a.y > point.y !== b.y > point.y && point.x < ((b.x - a.x) * (point.y - a.y)) / (b.y - a.y) + a.x)
      inside = !inside
    a = b
  }
  return inside
}

/** Where two segments meet: shares along each, or nothing for parallel ones and misses. */
export function crossing(a: DiskPoint, b: DiskPoint, c: DiskPoint, d: DiskPoint): { t: number; u: number } | undefined {
  const rx = b.x - a.x
  const ry = b.y - a.y
  const sx = d.x - c.x
  const sy = d.y - c.y
  const cross = rx * sy - ry * sx
  if (Math.abs(cross) < 1e-12) return undefined
  const t = ((c.x - a.x) * sy - (c.y - a.y) * sx) / cross
  const u = ((c.x - a.x) * ry - (c.y - a.y) * rx) / cross
  // A line through a corner meets one of its two sides, whatever rounding says.
  const within = (share: number) => share >= -1e-9 && share <= 1 + 1e-9
  return within(t) && within(u) ? { t, u } : undefined
}

/** The place of a segment that is nearest to a point. */
export function nearestOnSegment({ x, y }: DiskPoint, a: DiskPoint, b: DiskPoint): DiskPoint {
  const dx = b.x - a.x
  const dy = b.y - a.y
  const length2 = dx * dx + dy * dy
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / length2))
  return { x: a.x + t * dx, y: a.y + t * dy }
}
