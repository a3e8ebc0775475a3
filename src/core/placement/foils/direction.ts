import type { ZoneShape } from '../layout'
import type { Direction, Point3 } from '../../model'
import { radians } from '../../units'
import { TOP_ZONE_COSINE } from './constants'

/**
 * A function of space whose level sets are the partings of a zone. A comb cuts planes, so every family is planar, but
 * for partings that keep their distance to an edge.
 *
 * Horizontal partings of a back or side zone are level with the floor; on a top zone they run from side to side.
 * Vertical ones stand across them. Diagonal ones slope from the horizontal: diagonal back lies lower towards the back
 * (natural fall away from the face), diagonal forward lower towards the face; a zone astride the middle gets chevrons,
 * so that left and right mirror each other.
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
    case 'radial':
      return bearing(shape.landmarks().pivot, meanPoint)
    case 'parallel':
      return distanceTo(shape.landmarks().rim)
  }
}

/** Angle about the zone's pivot, 0 towards the middle of the zone, so that the turn from −π to π lies behind it. */
function bearing(pivot: Point3, meanPoint: Point3): (x: number, y: number, z: number) => number {
  const normal = scaled(pivot, 1 / Math.hypot(pivot.x, pivot.y, pivot.z))
  const towards = { x: meanPoint.x - pivot.x, y: meanPoint.y - pivot.y, z: meanPoint.z - pivot.z }
  const lift = dot(towards, normal)
  const flat = { x: towards.x - lift * normal.x, y: towards.y - lift * normal.y, z: towards.z - lift * normal.z }
  const ahead = scaled(flat, 1 / Math.hypot(flat.x, flat.y, flat.z))
  const across = {
    x: normal.y * ahead.z - normal.z * ahead.y,
    y: normal.z * ahead.x - normal.x * ahead.z,
    z: normal.x * ahead.y - normal.y * ahead.x,
  }
  return (x, y, z) => {
    const from = { x: x - pivot.x, y: y - pivot.y, z: z - pivot.z }
    return Math.atan2(dot(from, across), dot(from, ahead))
  }
}

/** Distance to the nearest point of a line, cm. */
function distanceTo(rim: readonly Point3[]): (x: number, y: number, z: number) => number {
  return (x, y, z) => {
    const at = { x, y, z }
    let nearest = Infinity
    for (let i = 0; i + 1 < rim.length; i++) nearest = Math.min(nearest, toSegment(at, rim[i]!, rim[i + 1]!))
    return nearest
  }
}

function toSegment(at: Point3, a: Point3, b: Point3): number {
  const along = { x: b.x - a.x, y: b.y - a.y, z: b.z - a.z }
  const from = { x: at.x - a.x, y: at.y - a.y, z: at.z - a.z }
  const length2 = dot(along, along)
  const t = length2 > 0 ? Math.min(1, Math.max(0, dot(from, along) / length2)) : 0
  return Math.hypot(from.x - t * along.x, from.y - t * along.y, from.z - t * along.z)
}

const dot = (a: Point3, b: Point3): number => a.x * b.x + a.y * b.y + a.z * b.z
const scaled = ({ x, y, z }: Point3, factor: number): Point3 => ({ x: x * factor, y: y * factor, z: z * factor })
