import type { ZoneMesh } from '../layout'
import type { PartingField } from './field'
import { ARC, DENSITY, emptyLine, LENGTH, MAP, PITCH, RISE, SPACE, STRIDE, type Polyline } from './polyline'

/** Hair at every vertex of a mesh: hairs per cm² and stretched length, cm. */
export interface VertexHair {
  density: Float64Array
  length: Float64Array
}

/**
 * The walk along one level line, kept between calls: stop i lies on the mesh edge from vertex from[i] to vertex to[i],
 * the share at[i] of the way along, and the line leaves it through triangle[i].
 */
const stops = { count: 0, from: [] as number[], to: [] as number[], at: [] as number[], triangle: [] as number[] }
/**
 * 1 for triangles that the level being traced crosses and that were not yet walked; all 0 between calls. Grows to the
 * largest mesh. */
let open = new Uint8Array(1024)

/**
 * The triangles that each of some rising levels crosses: counted first, then laid one level after the other into one
 * array.
 */
export function crossedTriangles({ lowest, highest }: PartingField, levels: readonly number[]): Uint32Array[] {
  const first = new Uint32Array(lowest.length)
  const ends = new Uint32Array(levels.length)
  for (let t = 0; t < lowest.length; t++) {
    let low = 0
    let high = levels.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (levels[middle]! > lowest[t]!) high = middle
      else low = middle + 1
    }
    first[t] = low
    for (; low < levels.length && levels[low]! <= highest[t]!; low++) ends[low]!++
  }
  for (let i = 1; i < ends.length; i++) ends[i]! += ends[i - 1]!
  const triangles = new Uint32Array(ends[ends.length - 1] ?? 0)
  const starts = ends.slice()
  for (let t = lowest.length - 1; t >= 0; t--)
    for (let i = first[t]!; i < levels.length && levels[i]! <= highest[t]!; i++) triangles[--starts[i]!] = t
  return levels.map((_, i) => triangles.subarray(starts[i]!, ends[i]!))
}

/**
 * Traces the parting at a level through the mesh as connected polylines, open ones first, then closed rings, each in
 * the way a hand walks it.
 * @param crossed the triangles that the level crosses, see {@link crossedTriangles}
 */
export function traceContour(field: PartingField, level: number, crossed: Uint32Array, hair: VertexHair): Polyline[] {
  const { mesh, values } = field
  if (open.length < mesh.areas.length) open = new Uint8Array(2 * mesh.areas.length)
  for (const triangle of crossed) open[triangle] = 1
  const lines: Polyline[] = []
  for (const triangle of crossed) {
    if (!open[triangle]) continue
    const [first, second] = edgesCrossed(mesh, values, level, triangle)
    const entry = mesh.neighbours[3 * triangle + first]! < 0 ? first : second
    if (mesh.neighbours[3 * triangle + entry]! >= 0) continue
    walk(mesh, values, level, triangle, entry)
    lines.push(toPolyline(field, hair))
  }
  for (const triangle of crossed) {
    if (!open[triangle]) continue
    walk(mesh, values, level, triangle, edgesCrossed(mesh, values, level, triangle)[0])
    lines.push(toPolyline(field, hair))
  }
  return lines
}

/** Follows the level line from an edge of a triangle until it leaves the mesh or meets itself. */
function walk(mesh: ZoneMesh, values: Float64Array, level: number, start: number, entry: number): void {
  stops.count = 0
  addStop(mesh, values, level, start, entry)
  let triangle = start
  let from = entry
  for (;;) {
    open[triangle] = 0
    const [first, second] = edgesCrossed(mesh, values, level, triangle)
    const exit = first === from ? second : first
    addStop(mesh, values, level, triangle, exit)
    const next = mesh.neighbours[3 * triangle + exit]!
    if (next < 0 || !open[next]) return
    const back = 3 * next
    from = mesh.neighbours[back] === triangle ? 0 : mesh.neighbours[back + 1] === triangle ? 1 : 2
    triangle = next
  }
}

function addStop(mesh: ZoneMesh, values: Float64Array, level: number, triangle: number, edge: number): void {
  const a = mesh.triangles[3 * triangle + edge]!
  const b = mesh.triangles[3 * triangle + (edge === 2 ? 0 : edge + 1)]!
  const i = stops.count++
  stops.from[i] = a
  stops.to[i] = b
  stops.at[i] = (level - values[a]!) / (values[b]! - values[a]!)
  stops.triangle[i] = triangle
}

/** The two edges of a crossed triangle that a level line passes; edge k runs from corner k to corner k + 1. */
function edgesCrossed(mesh: ZoneMesh, values: Float64Array, level: number, t: number): readonly [number, number] {
  const a = values[mesh.triangles[3 * t]!]! < level
  const b = values[mesh.triangles[3 * t + 1]!]! < level
  const c = values[mesh.triangles[3 * t + 2]!]! < level
  if (a === b) return LAST_TWO
  return b === c ? FIRST_AND_LAST : FIRST_TWO
}
const FIRST_TWO = [0, 1] as const
const LAST_TWO = [1, 2] as const
const FIRST_AND_LAST = [0, 2] as const

/**
 * Whether a hand walks the traced line from its first stop: upright ones from below, level ones from the middle of the
 * head outwards or, across the middle, from the client's left. Mirrored lines are walked mirrored.
 */
function isWalkedForwards(space: Float64Array): boolean {
  const last = stops.count - 1
  const startX = spaceAt(space, 0, 0)
  const endX = spaceAt(space, last, 0)
  const dx = endX - startX
  const dy = spaceAt(space, last, 1) - spaceAt(space, 0, 1)
  const dz = spaceAt(space, last, 2) - spaceAt(space, 0, 2)
  if (dz * dz > dx * dx + dy * dy) return dz > 0
  if (startX * endX < 0) return dx < 0
  const outwards = Math.abs(endX) - Math.abs(startX)
  return Math.abs(outwards) > 1e-6 ? outwards > 0 : dy < 0
}

/** One of a stop's coordinates in space, cm. */
function spaceAt(space: Float64Array, stop: number, axis: number): number {
  const from = space[3 * stops.from[stop]! + axis]!
  return from + stops.at[stop]! * (space[3 * stops.to[stop]! + axis]! - from)
}

function toPolyline({ mesh, rise, localPitch }: PartingField, { density, length }: VertexHair): Polyline {
  const { map, space } = mesh
  const { from, to, at: shares, triangle: triangles } = stops
  const line = emptyLine(stops.count)
  const step = isWalkedForwards(space) ? 1 : -1
  for (let at = 0, i = step > 0 ? 0 : stops.count - 1; at < line.length; at += STRIDE, i += step) {
    const a = from[i]!
    const b = to[i]!
    const t = shares[i]!
    const triangle = triangles[i]!
    line[at + MAP] = map[2 * a]! + t * (map[2 * b]! - map[2 * a]!)
    line[at + MAP + 1] = map[2 * a + 1]! + t * (map[2 * b + 1]! - map[2 * a + 1]!)
    line[at + SPACE] = space[3 * a]! + t * (space[3 * b]! - space[3 * a]!)
    line[at + SPACE + 1] = space[3 * a + 1]! + t * (space[3 * b + 1]! - space[3 * a + 1]!)
    line[at + SPACE + 2] = space[3 * a + 2]! + t * (space[3 * b + 2]! - space[3 * a + 2]!)
    line[at + RISE] = rise[2 * triangle]!
    line[at + RISE + 1] = rise[2 * triangle + 1]!
    line[at + PITCH] = localPitch[triangle]!
    line[at + DENSITY] = density[a]! + t * (density[b]! - density[a]!)
    line[at + LENGTH] = length[a]! + t * (length[b]! - length[a]!)
    if (at > 0) {
      const before = at - STRIDE
      const dx = line[at + SPACE]! - line[before + SPACE]!
      const dy = line[at + SPACE + 1]! - line[before + SPACE + 1]!
      const dz = line[at + SPACE + 2]! - line[before + SPACE + 2]!
      line[at + ARC] = line[before + ARC]! + Math.sqrt(dx * dx + dy * dy + dz * dz)
    }
  }
  // Scale and pitch across a parting jump from triangle to triangle, which no head does: they are evened out between
  // neighbours (¼, ½, ¼), twice.
  smooth(line)
  smooth(line)
  return line
}

function smooth(line: Polyline): void {
  let riseX = line[RISE]!
  let riseY = line[RISE + 1]!
  let pitch = line[PITCH]!
  for (let at = STRIDE; at < line.length - STRIDE; at += STRIDE) {
    const x = line[at + RISE]!
    const y = line[at + RISE + 1]!
    const here = line[at + PITCH]!
    line[at + RISE] = (riseX + 2 * x + line[at + STRIDE + RISE]!) / 4
    line[at + RISE + 1] = (riseY + 2 * y + line[at + STRIDE + RISE + 1]!) / 4
    line[at + PITCH] = (pitch + 2 * here + line[at + STRIDE + PITCH]!) / 4
    riseX = x
    riseY = y
    pitch = here
  }
}
