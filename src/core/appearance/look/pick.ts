import type { Paint, PlacedPiece, Takers } from '../paint'
import { isSkin, pointOf, type Exposure } from '../picture'
import type { Strands } from '../strands'

/** What is seen at a place of a picture. */
export interface Picked {
  level: number
  /** From the scalp along the stretched strand, cm. */
  alongCm: number
  /** Pieces that took the strand, in the order of the stages. */
  pieces: readonly PlacedPiece[]
}

/** The strand at a pixel of an exposure, or none. @param x @param y share of the picture's width and height, 0…1 */
export function pickAt(
  { camera, pixels }: Exposure,
  { strands, takers, paint }: { strands: Strands; takers: Takers; paint: Paint },
  x: number,
  y: number,
): Picked | undefined {
  const column = Math.min(camera.width - 1, Math.max(0, Math.floor(x * camera.width)))
  const row = Math.min(camera.height - 1, Math.max(0, Math.floor(y * camera.height)))
  const pixel = pixels[row * camera.width + column]!
  if (pixel === 0 || isSkin(pixel)) return undefined
  const point = pointOf(pixel)
  const first = strands.owner[point]! * takers.stages
  const taken = [...takers.taken.subarray(first, first + takers.stages)].filter((piece) => piece >= 0)
  return {
    level: paint.levels[point]!,
    alongCm: strands.along[point]!,
    pieces: taken.map((piece) => takers.pieces[piece]!),
  }
}

/** Pixels that show hair which some pieces, or pieces of some zones, took: 1 where it is seen. */
export function seenOf({ pixels }: Exposure, strands: Strands, takers: Takers, ids: ReadonlySet<string>): Uint8Array {
  const isMeant = takers.pieces.map(({ piece, zoneId }) => ids.has(piece.id) || ids.has(zoneId))
  const isSeen = Uint8Array.from({ length: strands.roots.count }, (_, i) => {
    for (let k = 0; k < takers.stages; k++) {
      const piece = takers.taken[i * takers.stages + k]!
      if (piece >= 0 && isMeant[piece]) return 1
    }
    return 0
  })
  return Uint8Array.from(pixels, (pixel) =>
    pixel === 0 || isSkin(pixel) ? 0 : isSeen[strands.owner[pointOf(pixel)]!]!,
  )
}
