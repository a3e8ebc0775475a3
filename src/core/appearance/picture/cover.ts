import type { Size } from './camera'
import { TILE_BITS } from './constants'

/** What is covered so far, in tiles of a picture: strands lie some eighty deep, and most need not be drawn at all. */
export interface Cover {
  columns: number
  rows: number
  /** The farthest depth of each tile, cm towards the viewer, tile row by tile row. */
  farthest: Float32Array
}

const TILE = 1 << TILE_BITS

/** Nothing is covered yet. */
export function emptyCover({ width, height }: Size): Cover {
  const columns = Math.ceil(width / TILE)
  const rows = Math.ceil(height / TILE)
  return { columns, rows, farthest: new Float32Array(columns * rows).fill(-Infinity) }
}

/**
 * Whether the strip from the point at this place to the next, so many pixels to either side, lies behind.
 * @param seen points as `project` gives them @param at of the first number of a point
 */
export function isCovered({ columns, rows, farthest }: Cover, seen: Float32Array, at: number, half: number): boolean {
  // A slanted strip is as broad as twice its half breadth, and no more.
  const reach = 1.5 * half + 1
  const left = tileAt(Math.min(seen[at]!, seen[at + 3]!) - reach, columns)
  const right = tileAt(Math.max(seen[at]!, seen[at + 3]!) + reach, columns)
  const top = tileAt(Math.min(seen[at + 1]!, seen[at + 4]!) - reach, rows)
  const bottom = tileAt(Math.max(seen[at + 1]!, seen[at + 4]!) + reach, rows)
  const near = Math.max(seen[at + 2]!, seen[at + 5]!)
  for (let row = top; row <= bottom; row++)
    for (let tile = row * columns + left; tile <= row * columns + right; tile++)
      if (farthest[tile]! < near) return false
  return true
}

const tileAt = (pixel: number, count: number): number => Math.min(count - 1, Math.max(0, pixel >> TILE_BITS))

/** Looks again how deep each tile is covered; a pixel is read once. @param depth of the picture's pixels */
export function refreshCover({ columns, farthest }: Cover, depth: Float32Array, width: number): void {
  farthest.fill(Infinity)
  for (let begins = 0, y = 0; begins < depth.length; begins += width, y++)
    for (let left = 0, at = (y >> TILE_BITS) * columns; left < width; left += TILE, at++) {
      const end = begins + Math.min(width, left + TILE)
      let far = farthest[at]!
      for (let index = begins + left; index < end; index++) if (depth[index]! < far) far = depth[index]!
      farthest[at] = far
    }
}
