import type { Strands } from '../strands'
import { project, type Camera } from './camera'
import { createCover } from './cover'
import { COVER_LOOKS, DEPTH_BINS } from './constants'

/**
 * What is seen at every pixel, before it has a colour: colours of any day are put on it without drawing again, and what
 * is seen is counted on it. Row by row from the top.
 */
export interface Exposure {
  camera: Camera
  /** 0 nothing; a strand's piece as {@link strandPixel}; skin as {@link skinPixel}. */
  pixels: Uint32Array
  /** Towards the viewer, cm; −Infinity where nothing is. */
  depth: Float32Array
}

/** Pixels of skin have the highest bit, then where on the scalp (0: not on it), then how light falls on it, 0…255. */
const SKIN = 0x80000000
export const skinPixel = (scalp: number, light: number): number => (SKIN | (scalp << 8) | light) >>> 0
export const isSkin = (pixel: number): boolean => pixel >= SKIN
export const scalpOf = (pixel: number): number => (pixel >>> 8) & 0x7fffff
export const lightOf = (pixel: number): number => pixel & 0xff

/** Pixels of strands: the point that their piece begins at, and eighths of the way to the next one. */
const EIGHTHS = 8
export const strandPixel = (point: number, eighth: number): number => point * EIGHTHS + eighth + 1
export const pointOf = (pixel: number): number => ((pixel - 1) / EIGHTHS) | 0
export const eighthOf = (pixel: number): number => (pixel - 1) & 7

/** An empty picture. */
export const blank = (camera: Camera): Exposure => ({
  camera,
  pixels: new Uint32Array(camera.width * camera.height),
  depth: new Float32Array(camera.width * camera.height).fill(-Infinity),
})

/** Draws hair into a picture, nearest pieces first, so that most of what is hidden is never written. */
export function exposeStrands({ camera, pixels, depth }: Exposure, strands: Strands): void {
  const seen = project(camera, strands.positions)
  const order = nearestFirst(strands, seen, camera)
  const { halfWidths } = strands
  const { width, height, scale } = camera
  const cover = createCover(camera, depth)
  const looks = COVER_LOOKS.map((share) => Math.floor(share * order.length))
  let looked = 0
  for (let n = 0; n < order.length; n++) {
    if (n === looks[looked]) {
      cover.refresh()
      looked++
    }
    const point = order[n]!
    const at = 3 * point
    const half = halfWidths[point]! * scale
    const dx = seen[at + 3]! - seen[at]!
    const dy = seen[at + 4]! - seen[at + 1]!
    if (cover.hides(seen[at]!, seen[at + 1]!, dx, dy, half, Math.max(seen[at + 2]!, seen[at + 5]!))) continue
    if (Math.abs(dy) >= Math.abs(dx)) drawSteep(at, dx, dy, half)
    else drawFlat(at, dx, dy, half)
  }

  /** Row by row, from one projected point to the next. */
  function drawSteep(at: number, dx: number, dy: number, half: number): void {
    if (dy === 0) return
    const x = seen[at]!
    const y = seen[at + 1]!
    const z = seen[at + 2]!
    const dz = seen[at + 5]! - z
    const slant = dx / dy
    const wide = half * Math.sqrt(1 + slant * slant)
    const begin = dy > 0 ? y : y + dy
    const first = strandPixel(at / 3, 0)
    const to = Math.min(height, Math.ceil(begin + Math.abs(dy) - 0.5))
    for (let row = Math.max(0, Math.ceil(begin - 0.5)); row < to; row++) {
      const share = (row + 0.5 - y) / dy
      const middle = x + share * dx - 0.5
      const near = z + share * dz
      const pixel = first + Math.min(7, (share * 8) | 0)
      const last = row * width + Math.min(width, Math.ceil(middle + wide))
      for (let index = row * width + Math.max(0, Math.ceil(middle - wide)); index < last; index++) {
        if (near <= depth[index]!) continue
        depth[index] = near
        pixels[index] = pixel
      }
    }
  }

  /** The same column by column. */
  function drawFlat(at: number, dx: number, dy: number, half: number): void {
    const x = seen[at]!
    const y = seen[at + 1]!
    const z = seen[at + 2]!
    const dz = seen[at + 5]! - z
    const slant = dy / dx
    const wide = half * Math.sqrt(1 + slant * slant)
    const begin = dx > 0 ? x : x + dx
    const first = strandPixel(at / 3, 0)
    const to = Math.min(width, Math.ceil(begin + Math.abs(dx) - 0.5))
    for (let column = Math.max(0, Math.ceil(begin - 0.5)); column < to; column++) {
      const share = (column + 0.5 - x) / dx
      const middle = y + share * dy - 0.5
      const near = z + share * dz
      const pixel = first + Math.min(7, (share * 8) | 0)
      const last = column + width * Math.min(height, Math.ceil(middle + wide))
      for (let index = column + width * Math.max(0, Math.ceil(middle - wide)); index < last; index += width) {
        if (near <= depth[index]!) continue
        depth[index] = near
        pixels[index] = pixel
      }
    }
  }
}

/** Pieces by the point that each begins at, sorted by depth in bins; those out of the picture are left out. */
function nearestFirst({ first, owner }: Strands, seen: Float32Array, { width, height }: Camera): Uint32Array {
  const points = owner.length
  let low = Infinity
  let high = -Infinity
  for (let at = 2; at < seen.length; at += 3) {
    const near = seen[at]!
    if (near < low) low = near
    if (near > high) high = near
  }
  const toBin = (DEPTH_BINS - 1) / Math.max(1e-6, high - low)
  const bins = new Int16Array(points).fill(-1)
  const counts = new Uint32Array(DEPTH_BINS + 1)
  for (let i = 0; i + 1 < first.length; i++) {
    const last = first[i + 1]! - 1
    for (let point = first[i]!; point < last; point++) {
      const at = 3 * point
      if (isOut(seen[at]!, seen[at + 3]!, width) || isOut(seen[at + 1]!, seen[at + 4]!, height)) continue
      const bin = ((high - (seen[at + 2]! + seen[at + 5]!) / 2) * toBin) | 0
      bins[point] = bin
      counts[bin + 1]!++
    }
  }
  for (let bin = 0; bin < DEPTH_BINS; bin++) counts[bin + 1]! += counts[bin]!
  const order = new Uint32Array(counts[DEPTH_BINS]!)
  for (let point = 0; point < points; point++) if (bins[point]! >= 0) order[counts[bins[point]!]!++] = point
  return order
}

/** Pixels that a strand may reach beyond its middle. Our choice. */
const MARGIN = 12
const isOut = (a: number, b: number, size: number): boolean =>
  (a < -MARGIN && b < -MARGIN) || (a > size + MARGIN && b > size + MARGIN)
