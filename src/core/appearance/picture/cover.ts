import type { Size } from './camera'
import { TILE_BITS } from './constants'

/** What is covered so far, in tiles of a picture: strands lie some eighty deep, and most need not be drawn at all. */
export interface Cover {
  /** Looks again how deep each tile is covered. */
  refresh(): void
  /** Whether the strip from the point at this place to the next, so many pixels to either side, lies behind. */
  hides(seen: Float32Array, at: number, half: number): boolean
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
    hides(seen, at, half) {
      // A slanted strip is as broad as twice its half breadth, and no more.
      const reach = 1.5 * half + 1
      const left = inside(Math.min(seen[at]!, seen[at + 3]!) - reach, columns)
      const right = inside(Math.max(seen[at]!, seen[at + 3]!) + reach, columns)
      const top = inside(Math.min(seen[at + 1]!, seen[at + 4]!) - reach, rows)
      const bottom = inside(Math.max(seen[at + 1]!, seen[at + 4]!) + reach, rows)
      const near = Math.max(seen[at + 2]!, seen[at + 5]!)
      for (let row = top; row <= bottom; row++)
        for (let one = row * columns + left; one <= row * columns + right; one++)
          if (farthest[one]! < near) return false
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
