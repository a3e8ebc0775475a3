import { foldTurn } from '../../numeric'
import { SCALP_CELLS, type ScalpCell } from '../../hair/hairRecord'
import { mapFromPlace, pointFromMap, RIM_FROM_S, type Head } from '../../scalp/head'
import type { Place, Point3 } from '../../model'
import { degrees } from '../../units'
import { COVERING_CM, SEEN_STRAIGHT, SEEN_WAVED, SEEN_TIED } from './constants'

export const WEARS = ['straight', 'waved', 'tied'] as const
export type WearKind = (typeof WEARS)[number]

/** What is seen of a head, by where its part runs. */
const known = new WeakMap<Head, Map<number, Record<WearKind, Float64Array>>>()

/**
 * How much of the hair of every scalp cell is seen in each way of wearing it, against what is seen most.
 * @param partX cm from the middle, left positive
 */
export function seenShares(head: Head, partX: number): Record<WearKind, Float64Array> {
  const byPart = known.get(head) ?? new Map<number, Record<WearKind, Float64Array>>()
  known.set(head, byPart)
  const remembered = byPart.get(partX)
  if (remembered) return remembered
  const points = SCALP_CELLS.map(({ centre }) => pointFromMap(head, mapFromPlace(head, centre)))
  const shares = Object.fromEntries(
    WEARS.map((wear) => [wear, Float64Array.from(SCALP_CELLS, (cell, i) => seenShare(points[i]!, cell, wear, partX))]),
  ) as Record<WearKind, Float64Array>
  byPart.set(partX, shares)
  return shares
}

/** How far round from the face a place lies, 0…180°. */
export const fromFace = ({ psi }: Place): number => degrees(foldTurn(psi))

function seenShare(point: Point3, { centre }: ScalpCell, wear: WearKind, partX: number): number {
  const rim = centre.s > RIM_FROM_S
  const azimuth = fromFace(centre)
  const atPart = Math.abs(point.x - partX) < COVERING_CM && point.z > 4 && azimuth < 179 && point.y > -6
  switch (wear) {
    case 'straight':
      return atPart ? SEEN_STRAIGHT.part : rim && azimuth < 80 ? SEEN_STRAIGHT.rim : SEEN_STRAIGHT.rest
    case 'waved':
      return atPart
        ? SEEN_WAVED.part
        : rim && azimuth < 80
          ? SEEN_WAVED.rim
          : point.z > -1
            ? SEEN_WAVED.upper
            : SEEN_WAVED.lower
    case 'tied':
      return rim
        ? SEEN_TIED.rim
        : azimuth > 50 && azimuth < 120
          ? SEEN_TIED.side
          : point.z > 8
            ? SEEN_TIED.top
            : SEEN_TIED.hidden
  }
}
