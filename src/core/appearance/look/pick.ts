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

/** A finger means hair that was worked on, so near to where it comes down, cm; else what lies under it. Our choice. */
const FINGER_CM = 0.6

/**
 * The strand at a place of an exposure, or the nearest one within a finger's breadth that some piece took; none where
 * there is no hair. @param x @param y share of the picture's width and height, 0…1
 */
export function pickAt(
  exposure: Exposure,
  { strands, takers, paint }: { strands: Strands; takers: Takers; paint: Paint },
  x: number,
  y: number,
): Picked | undefined {
  const { width, height, scale } = exposure.camera
  const reach = Math.ceil(FINGER_CM * scale)
  const [column, row] = [Math.floor(x * width), Math.floor(y * height)]
  const piecesAt = (point: number) => {
    const first = strands.owner[point]! * takers.stages
    return [...takers.taken.subarray(first, first + takers.stages)].filter((piece) => piece >= 0)
  }
  let own: number | undefined
  let nearest: { point: number; away: number } | undefined
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) {
      const away = dx * dx + dy * dy
      if (away > reach * reach || away >= (nearest?.away ?? Infinity)) continue
      const point = hairAt(exposure, column + dx, row + dy)
      if (point === undefined) continue
      if (away === 0) own = point
      if (piecesAt(point).length > 0) nearest = { point, away }
    }
  const point = nearest?.point ?? own
  if (point === undefined) return undefined
  return {
    level: paint.levels[point]!,
    alongCm: strands.along[point]!,
    pieces: piecesAt(point).map((piece) => takers.pieces[piece]!),
  }
}

/** The point of a strand at a pixel. */
function hairAt({ camera, pixels }: Exposure, column: number, row: number): number | undefined {
  if (column < 0 || row < 0 || column >= camera.width || row >= camera.height) return undefined
  const pixel = pixels[row * camera.width + column]!
  return pixel === 0 || isSkin(pixel) ? undefined : pointOf(pixel)
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
