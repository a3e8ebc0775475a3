import type { ZoneShape } from '../layout'
import type { Direction } from '../model'
import { radians } from '../units'
import { TOP_ZONE_COSINE } from './constants'

/**
 * A function of space whose level sets are the partings of a zone: a comb cuts planes, so every family is planar.
 *
 * Horizontal partings of a back or side zone are level with the floor; on a top zone they run from side to side. Vertical
 * ones stand across them. Diagonal ones slope from the horizontal: diagonal back lies lower towards the back (natural fall
 * away from the face), diagonal forward lower towards the face; a zone astride the middle gets chevrons, so that left and
 * right mirror each other.
 */
export function partingFunction(
  shape: ZoneShape,
  direction: Direction,
  angleDeg: number,
): (x: number, y: number, z: number) => number {
  const { meanNormal: n, meanPoint } = shape
  const onTop = n.z / Math.hypot(n.x, n.y, n.z) > TOP_ZONE_COSINE
  const astride = Math.abs(meanPoint.x) < 0.5
  // The zone's horizontal tangent that points towards the face.
  const level = Math.hypot(n.x, n.y)
  const tangent = { x: (-n.y * Math.sign(n.x)) / level, y: Math.abs(n.x) / level }
  const up = onTop ? (_x: number, y: number) => y : (_x: number, _y: number, z: number) => z
  const aside =
    onTop || astride
      ? (x: number) => Math.abs(x - meanPoint.x)
      : (x: number, y: number) => x * tangent.x + y * tangent.y

  switch (direction) {
    case 'horizontal':
      return up
    case 'vertical':
      return onTop || astride ? (x) => -x : aside
    case 'diagonalBack':
    case 'diagonalForward': {
      const angle = radians(angleDeg) * (direction === 'diagonalBack' ? -1 : 1)
      const cos = Math.cos(angle)
      const sin = Math.sin(angle)
      return (x, y, z) => cos * up(x, y, z) + sin * aside(x, y)
    }
  }
}
