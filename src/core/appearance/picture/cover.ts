import type { Size } from './camera'
import { TILE_BITS } from './constants'

/** What is covered so far, in tiles of a picture: strands lie some eighty deep, and most need not be drawn at all. */
export interface Cover {
  /** Looks again how deep each tile is covered. */
  refresh(): void
  /**
   * Whether a strip from (x, y) by (dx, dy), so many pixels to either side and nowhere nearer than `near`, lies
   * behind.
   */
  hides(x: number, y: number, dx: number, dy: number, half: number, near: number): boolean
}

/** @param depth of the picture's pixels, cm towards the viewer */
export function createCover({ width, height }: Size, depth: Float32Array): Cover {
  const tile = 1 << TILE_BITS
  const columns = Math.ceil(width / tile)
  const rows = Math.ceil(height / tile)
  const farthest = new Float32Array(columns * rows).fill(-Infinity)
  const inside = (at: number, count: number) => Math.min(count - 1, Math.max(0, at >> TILE_BITS))
  return {
    refresh: () => refreshTiles(farthest, columns, depth, width),
    hides(x, y, dx, dy, half, near) {
      // A slanted strip is as broad as twice its half breadth, and no more.
      const reach = 1.5 * half + 1
      const left = inside((dx < 0 ? x + dx : x) - reach, columns)
      const right = inside((dx < 0 ? x : x + dx) + reach, columns)
      const top = inside((dy < 0 ? y + dy : y) - reach, rows)
      const bottom = inside((dy < 0 ? y : y + dy) + reach, rows)
      for (let row = top; row <= bottom; row++)
        for (let at = row * columns + left; at <= row * columns + right; at++) if (farthest[at]! < near) return false
      return true
    },
  }
}

/** The farthest depth of each tile, tile row by tile row; a pixel is read once. */
function refreshTiles(farthest: Float32Array, columns: number, depth: Float32Array, width: number): void {
  const tile = 1 << TILE_BITS
  farthest.fill(Infinity)
  for (let begins = 0, y = 0; begins < depth.length; begins += width, y++)
    for (let left = 0, at = (y >> TILE_BITS) * columns; left < width; left += tile, at++) {
      const end = begins + Math.min(width, left + tile)
      let far = farthest[at]!
      for (let index = begins + left; index < end; index++) if (depth[index]! < far) far = depth[index]!
      farthest[at] = far
    }
}
