import type { Point3 } from '../../model'

/** Half-axes of a head, cm. */
export interface Axes {
  breadth: number
  front: number
  back: number
  up: number
  down: number
}

/**
 * Distance from the head's centre to its surface in the direction (θ, ψ): five half-ellipsoids joined where they meet,
 * so that the surface and its first derivatives are continuous.
 * @param theta polar angle from the apex, rad @param psi azimuth, rad
 * @returns cm
 */
export function radiusAt(axes: Axes, theta: number, psi: number): number {
  const sinTheta = Math.sin(theta)
  const cosTheta = Math.cos(theta)
  const cosPsi = Math.cos(psi)
  const breadth = (sinTheta * Math.sin(psi)) / axes.breadth
  const length = (sinTheta * cosPsi) / (cosPsi >= 0 ? axes.front : axes.back)
  const height = cosTheta / (cosTheta >= 0 ? axes.up : axes.down)
  return 1 / Math.sqrt(breadth * breadth + length * length + height * height)
}

/** Point of the surface in the direction (θ, ψ), cm. */
export function surfacePoint(axes: Axes, theta: number, psi: number): Point3 {
  const radius = radiusAt(axes, theta, psi)
  const horizontal = radius * Math.sin(theta)
  return { x: horizontal * Math.sin(psi), y: horizontal * Math.cos(psi), z: radius * Math.cos(theta) }
}

/**
 * First fundamental form of the surface: lengths of ∂P/∂θ and ∂P/∂ψ and their area element J = |∂P/∂θ × ∂P/∂ψ|.
 * For P = r·d(θ, ψ): ∂r/∂θ and ∂r/∂ψ follow from r = Q^(−1/2), Q the quadratic form of the direction.
 */
export const metricAt = (axes: Axes, theta: number, psi: number): Metric =>
  metricOf(axes, Math.sin(theta), Math.cos(theta), Math.sin(psi), Math.cos(psi))

export interface Metric {
  polar: number
  azimuthal: number
  area: number
}

/** {@link metricAt} for angles whose sines and cosines are known. */
export function metricOf(axes: Axes, sinTheta: number, cosTheta: number, sinPsi: number, cosPsi: number): Metric {
  const a = 1 / axes.breadth ** 2
  const b = 1 / (cosPsi >= 0 ? axes.front : axes.back) ** 2
  const c = 1 / (cosTheta >= 0 ? axes.up : axes.down) ** 2
  const across = a * sinPsi * sinPsi + b * cosPsi * cosPsi
  const radius = 1 / Math.sqrt(sinTheta * sinTheta * across + cosTheta * cosTheta * c)
  const cube = radius ** 3
  const radiusByTheta = -cube * sinTheta * cosTheta * (across - c)
  const radiusByPsi = -cube * sinTheta * sinTheta * sinPsi * cosPsi * (a - b)
  const polar = Math.hypot(radius, radiusByTheta)
  const azimuthal = Math.hypot(radius * sinTheta, radiusByPsi)
  const shear = radiusByTheta * radiusByPsi // ∂P/∂θ · ∂P/∂ψ: the tangential parts are orthogonal
  return { polar, azimuthal, area: Math.sqrt(Math.max(0, polar * polar * azimuthal * azimuthal - shear * shear)) }
}
