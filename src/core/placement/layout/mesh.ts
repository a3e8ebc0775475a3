import Delaunator from 'delaunator'
import type { Head } from '../../scalp/head'
import type { MapPoint } from '../../model'
import { latticeOf, locate, rowShift, type Lattice } from './lattice'
import { LATTICE_LOCATED, LATTICE_ROW_HEIGHT, LATTICE_SPACING, MESH_CLEARANCE, MOST_REFINEMENTS } from './constants'

/**
 * A triangulation of one zone that fits its outline exactly, known on the map and in space. On the map triangles have
 * the true area of the scalp under them; in space their edges have true length.
 *
 * Layout: vertex i is map[2i…2i+1] and space[3i…3i+2], its polar angle and azimuth direction[2i…2i+1], its share of the
 * way to the hairline s[i]; triangle t has corners triangles[3t…3t+2], and neighbours[3t+k] is the triangle across the
 * edge from corner k to corner k+1, or −1 at the outline.
 */
export interface ZoneMesh {
  /** So many vertices come first that lie on the outline and round islands, in their order. */
  rim: number
  map: Float64Array
  space: Float64Array
  direction: Float64Array
  s: Float64Array
  triangles: Uint32Array
  neighbours: Int32Array
  /** Area of each triangle, cm². */
  areas: Float64Array
}

/**
 * @param loops the outline round the zone and, the other way round, round each island in it
 * @throws Error when the outline cannot be triangulated, which checked layouts always can
 */
export function createMesh(head: Head, loops: readonly (readonly MapPoint[])[]): ZoneMesh {
  const lattice = latticeOf(head)
  const inner = innerPoints(lattice, loops)
  let rims = loops
  for (let attempt = 0; attempt < MOST_REFINEMENTS; attempt++) {
    const map = coordinates(rims.flat(), inner, lattice)
    const delaunay = new Delaunator(map)
    const next = following(rims)
    const missing = missingSides(delaunay, next)
    if (!missing.includes(1)) return finishMesh(head, delaunay, map, next, inner, lattice)
    let at = 0
    rims = rims.map((rim) =>
      rim.flatMap((point, i) => {
        const after = rim[(i + 1) % rim.length]!
        return missing[at++] ? [point, { x: (point.x + after.x) / 2, y: (point.y + after.y) / 2 }] : [point]
      }),
    )
  }
  throw new Error('This zone is too narrow or too jagged to be worked out.')
}

/** For every point of the outline the one after it in its loop. */
function following(rims: readonly (readonly MapPoint[])[]): Uint32Array {
  const next = new Uint32Array(rims.reduce((count, rim) => count + rim.length, 0))
  let start = 0
  for (const { length } of rims) {
    for (let i = 0; i < length; i++) next[start + i] = start + ((i + 1) % length)
    start += length
  }
  return next
}

/** Points of the outline, then of the inside, as x, y pairs. */
function coordinates(rim: readonly MapPoint[], inner: readonly number[], { located }: Lattice): Float64Array {
  const map = new Float64Array(2 * (rim.length + inner.length))
  let at = 0
  for (const { x, y } of rim) {
    map[at++] = x
    map[at++] = y
  }
  for (const point of inner) {
    map[at++] = located[point]!
    map[at++] = located[point + 1]!
  }
  return map
}

/**
 * 1 for sides of the outline (by their first point) that are not edges of the triangulation; halving them makes them
 * so.
 */
function missingSides({ triangles }: Delaunator<Float64Array>, next: Uint32Array): Uint8Array {
  const rim = next.length
  const missing = new Uint8Array(rim).fill(1)
  for (let half = 0; half < triangles.length; half++) {
    const a = triangles[half]!
    const b = triangles[half % 3 === 2 ? half - 2 : half + 1]!
    if (a < rim && b < rim && a === next[b]) missing[b] = 0
  }
  return missing
}

function finishMesh(
  head: Head,
  delaunay: Delaunator<Float64Array>,
  map: Float64Array,
  next: Uint32Array,
  inner: readonly number[],
  { located }: Lattice,
): ZoneMesh {
  const rim = next.length
  const count = map.length / 2
  const space = new Float64Array(3 * count)
  const direction = new Float64Array(2 * count)
  const s = new Float64Array(count)
  const onRim = new Float64Array(LATTICE_LOCATED)
  for (let i = 0; i < count; i++) {
    if (i < rim) locate(head, map[2 * i]!, map[2 * i + 1]!, onRim, 0)
    const from = i < rim ? onRim : located
    const at = i < rim ? 0 : inner[i - rim]!
    space[3 * i] = from[at + 2]!
    space[3 * i + 1] = from[at + 3]!
    space[3 * i + 2] = from[at + 4]!
    direction[2 * i] = from[at + 5]!
    direction[2 * i + 1] = from[at + 6]!
    s[i] = from[at + 7]!
  }
  const kept = insideTriangles(delaunay, next)
  const place = new Int32Array(delaunay.triangles.length / 3).fill(-1)
  kept.forEach((triangle, i) => (place[triangle] = i))
  const triangles = new Uint32Array(kept.length * 3)
  const neighbours = new Int32Array(kept.length * 3)
  const areas = new Float64Array(kept.length)
  kept.forEach((triangle, i) => {
    for (let k = 0; k < 3; k++) {
      const half = 3 * triangle + k
      triangles[3 * i + k] = delaunay.triangles[half]!
      const across = delaunay.halfedges[half]!
      neighbours[3 * i + k] = across < 0 ? -1 : place[Math.floor(across / 3)]!
    }
    areas[i] = triangleArea(map, triangles[3 * i]!, triangles[3 * i + 1]!, triangles[3 * i + 2]!)
  })
  return { rim, map, space, direction, s, triangles, neighbours, areas }
}

function triangleArea(map: Float64Array, a: number, b: number, c: number): number {
  const ux = map[2 * b]! - map[2 * a]!
  const uy = map[2 * b + 1]! - map[2 * a + 1]!
  const vx = map[2 * c]! - map[2 * a]!
  const vy = map[2 * c + 1]! - map[2 * a + 1]!
  return Math.abs(ux * vy - uy * vx) / 2
}

/** Points of the lattice inside the outline and not near its corners, by where they stand in the lattice. */
function innerPoints(lattice: Lattice, loops: readonly (readonly MapPoint[])[]): number[] {
  const outline = loops.flat()
  let lowest = Infinity
  let highest = -Infinity
  for (const { y } of outline) {
    lowest = Math.min(lowest, y)
    highest = Math.max(highest, y)
  }
  const inner: number[] = []
  for (let row = Math.ceil(lowest / LATTICE_ROW_HEIGHT); row <= highest / LATTICE_ROW_HEIGHT; row++) {
    const y = row * LATTICE_ROW_HEIGHT
    const corners = outline.filter((corner) => Math.abs(corner.y - y) < MESH_CLEARANCE)
    const crossings = crossingsAt(loops, y)
    const shift = rowShift(row)
    for (let k = 0; k + 1 < crossings.length; k += 2) {
      for (
        let column = Math.ceil((crossings[k]! - shift) / LATTICE_SPACING);
        column * LATTICE_SPACING + shift < crossings[k + 1]!;
        column++
      ) {
        if (isClear(corners, column * LATTICE_SPACING + shift, y)) inner.push(lattice.index(row, column))
      }
    }
  }
  return inner
}

/** Whether none of some corners is near. */
function isClear(corners: readonly MapPoint[], x: number, y: number): boolean {
  for (const corner of corners) {
    const dx = corner.x - x
    const dy = corner.y - y
    if (dx * dx + dy * dy < MESH_CLEARANCE * MESH_CLEARANCE) return false
  }
  return true
}

/** Where a level line enters and leaves the outline, in turn (even-odd rule). */
function crossingsAt(loops: readonly (readonly MapPoint[])[], y: number): number[] {
  const crossings: number[] = []
  for (const outline of loops) {
    let a = outline[outline.length - 1]!
    for (const b of outline) {
      if (a.y > y !== b.y > y) crossings.push(((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x)
      a = b
    }
  }
  return crossings.length > 2
    ? crossings.sort((one, other) => one - other)
    : crossings[0]! > crossings[1]!
      ? crossings.reverse()
      : crossings
}

/**
 * Triangles of the triangulation that lie inside the outline, in its order: those left of it, and all reached without
 * crossing it.
 */
function insideTriangles(delaunay: Delaunator<Float64Array>, next: Uint32Array): Uint32Array {
  const { triangles, halfedges } = delaunay
  const rim = next.length
  const isRim = (a: number, b: number) => a < rim && b < rim && (b === next[a] || a === next[b])
  const inside = new Uint8Array(triangles.length / 3)
  const queue = new Uint32Array(inside.length)
  let reached = 0
  for (let half = 0; half < triangles.length; half++) {
    const a = triangles[half]!
    const b = triangles[half % 3 === 2 ? half - 2 : half + 1]!
    // Delaunator winds its triangles clockwise where y points up, the outline runs anticlockwise.
    if (a < rim && b < rim && a === next[b] && !inside[Math.floor(half / 3)]) {
      inside[Math.floor(half / 3)] = 1
      queue[reached++] = Math.floor(half / 3)
    }
  }
  for (let at = 0; at < reached; at++) {
    for (let k = 0; k < 3; k++) {
      const half = 3 * queue[at]! + k
      const a = triangles[half]!
      const b = triangles[k === 2 ? half - 2 : half + 1]!
      const across = halfedges[half]!
      if (across < 0 || isRim(a, b)) continue
      const next = Math.floor(across / 3)
      if (!inside[next]) {
        inside[next] = 1
        queue[reached++] = next
      }
    }
  }
  let count = 0
  for (let triangle = 0; triangle < inside.length; triangle++) if (inside[triangle]) queue[count++] = triangle
  return queue.subarray(0, count)
}
