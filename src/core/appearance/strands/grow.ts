import type { HairState } from '../../model'
import { REFERENCE_AXES, type Head } from '../../scalp/head'
import type { Grid } from '../../scalp/mannequin'
import { smooth } from '../../numeric'
import { combDown, combOut, isFringe } from './comb'
import {
  CURL_SHAPES,
  DENSITY_BULK,
  HALF_UP_FROM_Z,
  HALF_WIDTH_CM,
  LAYER_CM,
  LAYER_FROM_CM,
  LAYERS_MIX,
  NO_PART_FROM_LIFT,
  OVER_EAR,
  TAIL_LEAVES,
  TIE,
  TIED_LIFT,
  TIP_WIDTH,
  WIDTH_AT,
  type CurlShape,
  type Wear,
} from './constants'
import { chance, swing } from './random'
import type { Roots } from './roots'
import { style, type Clumps } from './style'
import { Walk } from './walk'

/** A head of hair worn one way: the drawn strands as lines in space. */
export interface Strands {
  roots: Roots
  wear: Wear
  /** Strand i has points first[i] … first[i + 1] − 1. */
  first: Uint32Array
  /** x, y, z of every point, cm. */
  positions: Float32Array
  /** Distance from the scalp along the stretched strand, cm, of every point. */
  along: Float32Array
  /** Strand of every point. */
  owner: Uint16Array
  /** Half the breadth that a strand is drawn in at every point, cm. */
  halfWidths: Float32Array
}

/** Lets the hair of a head fall as it is worn. The same in gives the same out, and mirrored roots mirrored strands. */
export function growStrands(
  head: Head,
  grid: Grid,
  hair: HairState,
  roots: Roots,
  { wear, seed }: { wear: Wear; seed: number },
): Strands {
  const shape =
    CURL_SHAPES[
      wear === 'natural' ? hair.curl : wear === 'waved' ? 'waved' : wear === 'straight' ? 'straight' : hair.curl
    ]
  const first = pointsOf(roots, shape)
  const total = first[roots.count]!
  const strands: Strands = {
    roots,
    wear,
    first,
    positions: new Float32Array(3 * total),
    along: new Float32Array(total),
    owner: new Uint16Array(total),
    halfWidths: new Float32Array(total),
  }
  const walk = new Walk(grid, head.axes.breadth / REFERENCE_AXES.breadth)
  const clumps = clumpsOf(roots)
  const way = { head, hair, shape, walk, seed, wear }
  const halfWidth = HALF_WIDTH_CM * Math.sqrt((WIDTH_AT / roots.count) * DENSITY_BULK[hair.density])
  for (let i = 0; i < roots.count; i++) {
    const from = first[i]!
    const count = first[i + 1]! - from
    walkStrand(way, strands, i, from, count)
    strands.owner.fill(i, from, from + count)
    for (let k = 0; k < count; k++)
      strands.halfWidths[from + k] = halfWidth * (1 - (1 - TIP_WIDTH) * (k / (count - 1)) ** 2)
    style({ strands, shape, clumps, seed }, i, from, count)
  }
  return strands
}

interface Way {
  head: Head
  hair: HairState
  shape: CurlShape
  walk: Walk
  seed: number
  wear: Wear
}

function pointsOf({ count, length }: Roots, { worn, step }: CurlShape): Uint32Array {
  const first = new Uint32Array(count + 1)
  for (let i = 0; i < count; i++) first[i + 1] = first[i]! + Math.max(3, Math.round((length[i]! * worn) / step) + 1)
  return first
}

/** Mean root of every clump. */
function clumpsOf({ count, space, clump }: Roots): Clumps {
  const sums = new Map<number, { x: number; y: number; z: number; count: number }>()
  for (let i = 0; i < count; i++) {
    const one = sums.get(clump[i]!) ?? { x: 0, y: 0, z: 0, count: 0 }
    one.x += space[3 * i]!
    one.y += space[3 * i + 1]!
    one.z += space[3 * i + 2]!
    one.count++
    sums.set(clump[i]!, one)
  }
  for (const one of sums.values()) {
    one.x /= one.count
    one.y /= one.count
    one.z /= one.count
  }
  return sums
}

/** The way of one strand, before it curls: worn down, or to the tie and on in the tail. */
function walkStrand(way: Way, strands: Strands, i: number, from: number, count: number): void {
  const { roots, positions, along } = strands
  const side = i % 2 === 0 ? 1 : -1
  const root = {
    x: side * roots.space[3 * i]!,
    y: roots.space[3 * i + 1]!,
    z: roots.space[3 * i + 2]!,
    s: roots.s[i]!,
    psi: roots.psi[i]!,
    length: roots.length[i]!,
  }
  const tie = tieOf(way, root.z)
  const length = root.length * way.shape.worn
  const step = length / (count - 1)
  const next = tie ? tiedSteps(way, root, tie, i >> 1, step) : fallingSteps(way, root, side, i >> 1, step)
  for (let k = 0; k < count; k++) {
    if (k > 0) next(k * step)
    const at = 3 * (from + k)
    positions[at] = side * way.walk.x
    positions[at + 1] = way.walk.y
    positions[at + 2] = way.walk.z
    along[from + k] = (root.length * k) / (count - 1)
  }
}

type TieKind = 'low' | 'high'

function tieOf({ wear }: Way, z: number): TieKind | undefined {
  if (wear === 'halfUp') return z > HALF_UP_FROM_Z ? 'high' : undefined
  return wear === 'low' || wear === 'high' ? wear : undefined
}

type RootAt = Parameters<typeof combDown>[2]

/** A step of a strand worn down; `along` is how far it has come, cm. */
function fallingSteps(
  { head, hair, shape, walk, seed }: Way,
  root: RootAt,
  side: 1 | -1,
  pair: number,
  step: number,
): (along: number) => void {
  const comb = shape.lift < NO_PART_FROM_LIFT ? combDown(head, hair, root, side) : combOut(root)
  walk.setOff(root.x, root.y, root.z, comb, shape.lift)
  const fringe = isFringe(root)
  const bend = Math.min(1, step / shape.bend)
  const bulk = DENSITY_BULK[hair.density] * shape.bulk
  const layer =
    bulk * (LAYER_CM.low + LAYER_CM.more * (1 - root.s) * (1 - LAYERS_MIX * chance(seed, pair, 10))) + shape.radius
  return (along) => {
    walk.turn(bend, 0, 0, -1)
    walk.spareShoulders(step)
    walk.go(step)
    if (!fringe) walk.spareFace(step)
    walk.lay(layer * smooth((along + 1) / LAYER_FROM_CM))
  }
}

/** A step of a strand that is tied: over the head to the tie, then on in the tail. */
function tiedSteps(
  { head, walk, seed, shape }: Way,
  root: RootAt,
  tie: TieKind,
  pair: number,
  step: number,
): (along: number) => void {
  const y = (TIE[tie].y * head.axes.back) / REFERENCE_AXES.back
  const z = TIE[tie].z
  // Hair of the top goes straight back, hair beside the face over the ear.
  const ear = { ...OVER_EAR[tie], x: Math.min(head.axes.breadth, Math.abs(root.x) + 1) }
  walk.setOff(root.x, root.y, root.z, [ear.x * Math.sign(root.x) - root.x, ear.y - root.y, ear.z - root.z], TIED_LIFT)
  const layer = 0.12 + 0.5 * chance(seed, pair, 11) * Math.sqrt(shape.bulk)
  const tail = { x: 0, y: 0, z: 0 }
  const [spread, angle] = [Math.sqrt(chance(seed, pair, 12)), Math.PI * swing(seed, pair, 13)]
  let inTail = 0
  return () => {
    if (inTail > 0) return goInTail()
    const before = walk.y > ear.beforeY
    const [tx, ty, tz] = before
      ? [ear.x * Math.sign(walk.x) - walk.x, ear.y - walk.y, ear.z - walk.z]
      : [-walk.x, y - walk.y, z - walk.z]
    const away = Math.sqrt(tx * tx + ty * ty + tz * tz)
    if (!before && away < TIE.gatherCm + step) return enterTail()
    walk.turn(0.6, tx / away, ty / away, tz / away)
    walk.go(step)
    walk.lay(layer)
  }

  function enterTail(): void {
    const [leaveY, leaveZ] = TAIL_LEAVES[tie]
    Object.assign(tail, { x: 0, y: y - 0.4, z })
    walk.turn(1, 0, leaveY, leaveZ)
    goInTail()
  }

  function goInTail(): void {
    walk.turn(inTail === 0 ? 0 : Math.min(1, step / 4.5), 0, 0, -1)
    inTail += step
    tail.x += step * walk.dx
    tail.y += step * walk.dy
    tail.z += step * walk.dz
    const thick = spread * (TIE.tailCm + (TIE.tailGrowsTo - TIE.tailCm) * smooth(inTail / 14)) * Math.sqrt(shape.bulk)
    walk.x = tail.x + thick * Math.cos(angle)
    walk.y = tail.y + thick * Math.sin(angle) * 0.8
    walk.z = tail.z
    walk.lay(layer)
  }
}
