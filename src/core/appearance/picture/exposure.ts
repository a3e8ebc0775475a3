import type { Strands } from '../strands'
import { project, type Camera } from './camera'
import { emptyCover, isCovered, refreshCover } from './cover'
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
export function exposeStrands(exposure: Exposure, strands: Strands): void {
  const { camera, depth } = exposure
  const { width, height, scale } = camera
  const { halfWidths } = strands
  const seen = project(camera, strands.positions)
  const order = nearestFirst(strands, seen, camera)
  const cover = emptyCover(camera)
  const looks = COVER_LOOKS.map((share) => Math.floor(share * order.length))
  const byRows: Axes = { along: 1, size: height, step: width, across: 0, crossSize: width, crossStep: 1 }
  const byColumns: Axes = { along: 0, size: width, step: 1, across: 1, crossSize: height, crossStep: width }
  let looked = 0
  for (let n = 0; n < order.length; n++) {
    if (n === looks[looked]) {
      refreshCover(cover, depth, width)
      looked++
    }
    const point = order[n]!
    const at = 3 * point
    const half = halfWidths[point]! * scale
    if (isCovered(cover, seen, at, half)) continue
    const steep = Math.abs(seen[at + 4]! - seen[at + 1]!) >= Math.abs(seen[at + 3]! - seen[at]!)
    drawStrip(exposure, steep ? byRows : byColumns, seen, point, half)
  }
}

/** How a strip is walked: steep ones row by row, flat ones column by column. */
interface Axes {
  /** Which coordinate is the way: 0 columns, 1 rows. */
  along: 0 | 1
  /** Pixels along the way, and from one to the next in the list. */
  size: number
  step: number
  /** The same across it. */
  across: 0 | 1
  crossSize: number
  crossStep: number
}

/**
 * From one projected point to the next. It reads its numbers itself: a picture has some hundred thousand strips, and
 * handing a few over for each would cost as much as drawing it.
 * @param seen as {@link project} gives them @param half of its breadth, pixels
 */
function drawStrip(
  { pixels, depth }: Exposure,
  { along, size, step, across, crossSize, crossStep }: Axes,
  seen: Float32Array,
  point: number,
  half: number,
): void {
  const at = 3 * point
  const main = seen[at + along]!
  const mainWay = seen[at + 3 + along]! - main
  const cross = seen[at + across]!
  const crossWay = seen[at + 3 + across]! - cross
  const near = seen[at + 2]!
  const nearWay = seen[at + 5]! - near
  if (mainWay === 0) return
  const slant = crossWay / mainWay
  const deeper = nearWay / mainWay
  const wide = half * Math.sqrt(1 + slant * slant)
  const begin = mainWay > 0 ? main : main + mainWay
  const from = Math.max(0, Math.ceil(begin - 0.5))
  const to = Math.min(size, Math.ceil(begin + Math.abs(mainWay) - 0.5))
  const first = strandPixel(point, 0)
  const eighths = 8 / mainWay
  for (let row = from; row < to; row++) {
    const on = row + 0.5 - main
    const middle = cross + on * slant
    const here = near + on * deeper
    const last = row * step + crossStep * Math.min(crossSize, roundUp(middle + wide))
    for (let index = row * step + crossStep * Math.max(0, roundUp(middle - wide)); index < last; index += crossStep) {
      if (here <= depth[index]!) continue
      depth[index] = here
      pixels[index] = first + Math.min(7, (on * eighths) | 0)
    }
  }
}

/** The first pixel whose middle lies at x or after it; pixels of no picture lie as far as this before it. */
const roundUp = (x: number): number => FAR - ((FAR + 0.5 - x) | 0)
const FAR = 1 << 20

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
