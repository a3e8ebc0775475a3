import { smooth } from '../../numeric'
import { CURL_FROM_CM, CURL_FULL_CM, FLYAWAY, WANDER, type CurlShape } from './constants'
import type { Strands } from './grow'
import { chance, swing } from './random'

/** Mean root of every clump, by its name. */
export type Clumps = ReadonlyMap<number, { x: number; y: number; z: number }>

interface Styling {
  strands: Strands
  shape: CurlShape
  clumps: Clumps
  seed: number
}

/** Draws a strand to its clump, lets it wander a little, and curls it about its way. */
export function style({ strands, shape, clumps, seed }: Styling, i: number, from: number, count: number): void {
  const { positions, along, roots } = strands
  const pair = i >> 1
  const side = i % 2 === 0 ? 1 : -1
  const clump = roots.clump[i]! >> 1
  const centre = clumps.get(roots.clump[i]!)!
  const toClumpX = shape.closes * (centre.x - roots.space[3 * i]!)
  const toClumpY = shape.closes * (centre.y - roots.space[3 * i + 1]!)
  const toClumpZ = shape.closes * (centre.z - roots.space[3 * i + 2]!)
  const flies = chance(seed, pair, 20) * FLYAWAY.oneIn < 1 ? FLYAWAY.times : 1
  const own = { a: Math.PI * swing(seed, pair, 21), b: Math.PI * swing(seed, pair, 22) }
  const shared = { a: Math.PI * swing(seed, clump, 23), b: Math.PI * swing(seed, clump, 24) }
  const phase =
    Math.sin(3 * roots.psi[i]! * side) +
    Math.PI * (shape.apart * swing(seed, clump, 25) + shape.loose * swing(seed, pair, 26))
  const pitch = shape.pitch * (1 + 0.15 * shape.apart * swing(seed, clump, 27))
  const length = along[from + count - 1]!
  // The point before, as it was before it was moved.
  const last = { x: side * positions[3 * from]!, y: positions[3 * from + 1]!, z: positions[3 * from + 2]! }
  for (let k = 1; k < count; k++) {
    const at = 3 * (from + k)
    const cm = along[from + k]!
    const reach = Math.sqrt(cm)
    const wanderX = WANDER.clump * wave(0.3 * cm, shared.a) + flies * WANDER.strand * wave(0.45 * cm, own.a)
    const wanderY = WANDER.clump * wave(0.26 * cm, shared.b) + flies * WANDER.strand * wave(0.5 * cm, own.b)
    const closes = cm / length
    let x = positions[at]! + closes * toClumpX + side * reach * wanderX
    let y = positions[at + 1]! + closes * toClumpY + reach * wanderY
    let z = positions[at + 2]! + closes * toClumpZ
    if (shape.radius > 0) {
      frameOf(positions, at, last, side)
      const radius = shape.radius * smooth((cm - CURL_FROM_CM) / CURL_FULL_CM)
      const turn = (2 * Math.PI * cm * shape.worn) / pitch + phase
      const across = radius * Math.cos(turn)
      const out = radius * Math.sin(turn)
      x += side * (across * frame.ux + out * frame.vx)
      y += across * frame.uy + out * frame.vy
      z += across * frame.uz + out * frame.vz
    }
    last.x = side * positions[at]!
    last.y = positions[at + 1]!
    last.z = positions[at + 2]!
    positions[at] = x
    positions[at + 1] = y
    positions[at + 2] = z
  }
}

/** A wave that begins at 0. */
const wave = (x: number, phase: number): number => Math.sin(x + phase) - Math.sin(phase)

/** Two directions across the way of the strand in hand: level, and the third of both. */
const frame = { ux: 1, uy: 0, uz: 0, vx: 0, vy: 1, vz: 0 }

/** Sets the frame at a point from the point before it, both before they were moved, on the strand's own side. */
function frameOf(positions: Float32Array, at: number, before: { x: number; y: number; z: number }, side: number): void {
  const dx = side * positions[at]! - before.x
  const dy = positions[at + 1]! - before.y
  const dz = positions[at + 2]! - before.z
  const level = Math.sqrt(dx * dx + dy * dy)
  // What hangs straight down curls about the line from side to side.
  const ux = level > 1e-3 ? -dy / level : 1
  const uy = level > 1e-3 ? dx / level : 0
  const length = Math.sqrt(dx * dx + dy * dy + dz * dz) || 1
  frame.ux = ux
  frame.uy = uy
  frame.uz = 0
  frame.vx = (-dz * uy) / length
  frame.vy = (dz * ux) / length
  frame.vz = (dx * uy - dy * ux) / length
}
