/**
 * P3. On a sphere the scalp map is Lambert's azimuthal equal-area projection (mathematics; peer: d3-geo), and the area
 * of an ellipsoid cap from the map is that of a fine triangulation within 0.1 % (mathematics).
 */
import { geoAzimuthalEqualAreaRaw } from 'd3-geo'
import { createHead, mapFromDirection, scalpArea, surfacePoint, type Head } from '@/core/scalp/head'

const RADIUS = 9
const head = createHead({ circumferenceCm: 54 })

/** A head whose surface is a sphere: the same tables, made from other axes. */
function sphere(): Head {
  const axes = { breadth: RADIUS, front: RADIUS, back: RADIUS, up: RADIUS, down: RADIUS }
  const polar = Math.PI / 180
  const rows = 156
  const columns = 181
  const area = { value: new Float64Array(rows * columns), slope: new Float64Array(rows * columns) }
  for (let column = 0; column < columns; column++)
    for (let row = 0; row < rows; row++) {
      area.value[column * rows + row] = RADIUS ** 2 * (1 - Math.cos(row * polar))
      area.slope[column * rows + row] = RADIUS ** 2 * Math.sin(row * polar)
    }
  return { ...head, axes, area }
}

it('equals d3-geo’s azimuthal equal-area projection on a sphere', () => {
  const ball = sphere()
  for (let thetaDeg = 5; thetaDeg <= 150; thetaDeg += 7.3)
    for (let psiDeg = -180; psiDeg < 180; psiDeg += 13) {
      const theta = (thetaDeg * Math.PI) / 180
      const psi = (psiDeg * Math.PI) / 180
      // d3's raw projection is centred on the x axis of the sphere: longitude and latitude of the same point seen from
      // the apex.
      const y = Math.sin(theta) * Math.sin(psi)
      const z = Math.sin(theta) * Math.cos(psi)
      const [px, py] = geoAzimuthalEqualAreaRaw(Math.atan2(y, Math.cos(theta)), Math.asin(z))
      const ours = mapFromDirection(ball, theta, psi)
      expect(ours.x).toBeCloseTo(-RADIUS * px, 5)
      expect(ours.y).toBeCloseTo(RADIUS * py, 5)
    }
})

it('has the area of a fine triangulation of the head within 0.1 %', () => {
  const spokes = 540
  const rings = 200
  let sum = 0
  for (let j = 0; j < spokes; j++) {
    const psis = [j, j + 1].map((k) => (2 * Math.PI * k) / spokes) as [number, number]
    for (let i = 0; i < rings; i++) {
      const [a, b, c, d] = [
        [i, 0],
        [i + 1, 0],
        [i + 1, 1],
        [i, 1],
      ].map(([ring, side]) => {
        const psi = psis[side!]!
        return surfacePoint(head.axes, (head.hairline(psi) * ring!) / rings, psi)
      }) as [P, P, P, P]
      sum += triangle(a, b, c) + triangle(a, c, d)
    }
  }
  expect(Math.abs(scalpArea(head) / sum - 1)).toBeLessThan(0.001)
})

type P = { x: number; y: number; z: number }
const triangle = (a: P, b: P, c: P): number => {
  const [ux, uy, uz, vx, vy, vz] = [b.x - a.x, b.y - a.y, b.z - a.z, c.x - a.x, c.y - a.y, c.z - a.z]
  return Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2
}
