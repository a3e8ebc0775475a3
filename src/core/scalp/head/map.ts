import type { MapPoint, Place, Point3 } from '../../model'
import type { Head } from './head'
import { metricAt, surfacePoint } from './surface'
import { readTable, solveTable } from './tables'

/**
 * The equal-area map. For every azimuth ρ(ψ, θ) = √(2 ∫₀^θ J dθ'), so that ρ dρ dψ = J dθ dψ: an area on the map is the
 * area of scalp, whatever the head's shape. On a sphere it is Lambert's azimuthal equal-area projection. Seen from
 * behind and above: the face is up (+y), the client's left is on the left (−x).
 */
const toMap = (rho: number, psi: number): MapPoint => ({ x: -rho * Math.sin(psi), y: rho * Math.cos(psi) })

/** Azimuth and map radius of a map point. */
function polarOnMap(point: MapPoint): { psi: number; rho: number } {
  // Not Math.hypot, which guards against overflow that cannot be here and is many times slower.
  return { psi: Math.atan2(-point.x, point.y), rho: Math.sqrt(point.x * point.x + point.y * point.y) }
}

/** Map point of the surface direction (θ, ψ). */
export const mapFromDirection = (head: Head, theta: number, psi: number): MapPoint =>
  toMap(Math.sqrt(2 * readTable(head.area, theta, psi)), psi)

/** Surface direction of a map point. Inverse of {@link mapFromDirection}. */
export function directionFromMap(head: Head, point: MapPoint): { theta: number; psi: number } {
  const { psi, rho } = polarOnMap(point)
  return { theta: solveTable(head.area, (rho * rho) / 2, psi), psi }
}

/** Map radius of the hairline at an azimuth, cm. */
export const hairlineRadius = (head: Head, psi: number): number =>
  Math.sqrt(2 * readTable(head.area, head.hairline(psi), psi))

/** Map point of a head-free place. */
export const mapFromPlace = (head: Head, place: Place): MapPoint =>
  toMap(place.s * hairlineRadius(head, place.psi), place.psi)

/** Head-free place of a map point. Inverse of {@link mapFromPlace}. */
export function placeFromMap(head: Head, point: MapPoint): Place {
  const { psi, rho } = polarOnMap(point)
  return { psi, s: rho / hairlineRadius(head, psi) }
}

/** Point in space of a map point, cm. */
export function pointFromMap(head: Head, point: MapPoint): Point3 {
  const { theta, psi } = directionFromMap(head, point)
  return surfacePoint(head.axes, theta, psi)
}

/** Head-free place of the surface direction (θ, ψ). */
export function placeFromDirection(head: Head, theta: number, psi: number): Place {
  return { psi, s: Math.sqrt(2 * readTable(head.area, theta, psi)) / hairlineRadius(head, psi) }
}

/**
 * How long a true centimetre is drawn on the map, along the meridian and across it (map cm per cm). Their product is 1
 * up to the slight shear of an egg-shaped head.
 */
export function localScale(head: Head, point: MapPoint): { along: number; across: number } {
  const { theta, psi } = directionFromMap(head, point)
  const rho = Math.hypot(point.x, point.y)
  if (rho < 1e-6) return { along: 1, across: 1 }
  const metric = metricAt(head.axes, theta, psi)
  return { along: metric.area / rho / metric.polar, across: rho / metric.azimuthal }
}

/** The hairline on the map, closed, starting at the face and running over the client's left. */
export function hairlineOutline(head: Head, steps: number): MapPoint[] {
  return Array.from({ length: steps }, (_, i) => mapFromPlace(head, { psi: (2 * Math.PI * i) / steps, s: 1 }))
}

const knownAreas = new WeakMap<Head, number>()

/** Hair-bearing scalp, cm²: ½∮ρ² dψ. */
export function scalpArea(head: Head): number {
  const known = knownAreas.get(head)
  if (known !== undefined) return known
  const steps = 720
  let sum = 0
  for (let i = 0; i < steps; i++) {
    const psi = (2 * Math.PI * i) / steps
    sum += readTable(head.area, head.hairline(psi), psi)
  }
  const area = (sum * 2 * Math.PI) / steps
  knownAreas.set(head, area)
  return area
}
