import { cellAt } from '../../hair/hairRecord'
import { hairsPerCm2, rootLength } from '../../hair/fibre'
import type { HairState, MapPoint } from '../../model'
import { directionFromMap, hairlineOutline, placeFromMap, surfacePoint, type Head } from '../../scalp/head'
import { chance } from './random'
import { CLUMP_CM } from './constants'

/**
 * Roots of the strands of a picture. They come in pairs, one on either side of the middle line, so that what is alike
 * on both sides looks alike: 2i on the client's left, 2i + 1 its mirror image.
 */
export interface Roots {
  count: number
  /** On the map, x and y, cm. */
  map: Float32Array
  /** In space, x, y, z, cm. */
  space: Float32Array
  /** Share of the way from the apex to the hairline, and the azimuth from the face, rad. */
  s: Float32Array
  psi: Float32Array
  /** Scalp cell. */
  cell: Uint16Array
  /** Stretched length that grows here, cm. */
  length: Float32Array
  /** Clump: the same for roots that fall together; its mirror image has the same without its last bit. */
  clump: Int32Array
}

/** Steps of the plane's most even sequence: 1/g and 1/g² with g³ = g + 1 (Roberts 2018, from memory). */
const EVEN = [0.7548776662466927, 0.5698402909980532] as const

/** Spreads roots over a scalp as densely as its hair grows. @param count even */
export function spreadRoots(head: Head, hair: HairState, count: number, seed: number): Roots {
  const roots = emptyRoots(count)
  const lengthAt = rootLength(head, hair)
  const outline = hairlineOutline(head, 180)
  const breadth = Math.max(...outline.map(({ x }) => x))
  const [low, high] = [Math.min(...outline.map(({ y }) => y)), Math.max(...outline.map(({ y }) => y))]
  const fullest = hairsPerCm2(hair, { psi: 0, s: 0 })
  let pair = 0
  for (let i = 0; pair < count / 2; i++) {
    const at: MapPoint = {
      x: -breadth * frac(0.5 + chance(seed, 0, 1) + EVEN[0] * i),
      y: low + (high - low) * frac(0.5 + chance(seed, 0, 2) + EVEN[1] * i),
    }
    const place = placeFromMap(head, at)
    if (place.s >= 1 || chance(seed, i, 3) * fullest > hairsPerCm2(hair, place)) continue
    const { theta, psi } = directionFromMap(head, at)
    const point = surfacePoint(head.axes, theta, psi)
    const clump = clumpAt(at, seed)
    put(roots, 2 * pair, { at, point, s: place.s, psi, length: lengthAt(theta, psi), clump: 2 * clump })
    put(roots, 2 * pair + 1, {
      at: { x: -at.x, y: at.y },
      point: { ...point, x: -point.x },
      s: place.s,
      psi: -psi,
      length: lengthAt(theta, -psi),
      clump: 2 * clump + 1,
    })
    pair++
  }
  return roots
}

const frac = (x: number): number => x - Math.floor(x)

const emptyRoots = (count: number): Roots => ({
  count,
  map: new Float32Array(2 * count),
  space: new Float32Array(3 * count),
  s: new Float32Array(count),
  psi: new Float32Array(count),
  cell: new Uint16Array(count),
  length: new Float32Array(count),
  clump: new Int32Array(count),
})

interface Root {
  at: MapPoint
  point: { x: number; y: number; z: number }
  s: number
  psi: number
  length: number
  clump: number
}

function put(roots: Roots, i: number, { at, point, s, psi, length, clump }: Root): void {
  roots.map.set([at.x, at.y], 2 * i)
  roots.space.set([point.x, point.y, point.z], 3 * i)
  roots.s[i] = s
  roots.psi[i] = psi
  roots.cell[i] = cellAt({ psi, s })
  roots.length[i] = length
  roots.clump[i] = clump
}

/** The clump a root falls in: the nearest of centres strewn over the map, one in every square of it. */
function clumpAt({ x, y }: MapPoint, seed: number): number {
  const [column, row] = [Math.floor(x / CLUMP_CM), Math.floor(y / CLUMP_CM)]
  let [best, nearest] = [0, Infinity]
  for (let i = column - 1; i <= column + 1; i++)
    for (let j = row - 1; j <= row + 1; j++) {
      const name = (i + 64) * 128 + j + 64
      const dx = (i + chance(seed, name, 4)) * CLUMP_CM - x
      const dy = (j + chance(seed, name, 5)) * CLUMP_CM - y
      if (dx * dx + dy * dy >= nearest) continue
      nearest = dx * dx + dy * dy
      best = name
    }
  return best
}
