import { SCALP_CELLS, type ScalpCell } from '../../hair/hairRecord'
import { mapFromPlace, pointFromMap, RIM_FROM_S, type Head } from '../../scalp/head'
import type { Place, Point3 } from '../../model'
import { degrees } from '../../units'

export const WEARS = ['straight', 'waved', 'tied'] as const
export type WearKind = (typeof WEARS)[number]

/**
 * Half the strip along the part whose hair covers nearly all when worn straight, cm. Three layers over the head come
 * from 2.5–3.2 cm either side of a part (geometry of a 15 cm part).
 */
const COVERING_CM = 3
/**
 * How much of what grows elsewhere is seen, against hair at the part. Our estimates after common practice: straight
 * hair shows its top, waved hair what lies under it, tied hair the hairline, nape and sides.
 */
const STRAIGHT = { part: 1, rim: 0.35, rest: 0.06 } as const
const WAVED = { part: 1, rim: 0.6, upper: 0.55, lower: 0.3 } as const
const TIED = { rim: 1, side: 0.7, top: 0.5, hidden: 0.15 } as const

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
export const fromFace = ({ psi }: Place): number =>
  Math.abs(degrees(psi - 2 * Math.PI * Math.round(psi / (2 * Math.PI))))

function seenShare(point: Point3, { centre }: ScalpCell, wear: WearKind, partX: number): number {
  const rim = centre.s > RIM_FROM_S
  const azimuth = fromFace(centre)
  const atPart = Math.abs(point.x - partX) < COVERING_CM && point.z > 4 && azimuth < 179 && point.y > -6
  switch (wear) {
    case 'straight':
      return atPart ? STRAIGHT.part : rim && azimuth < 80 ? STRAIGHT.rim : STRAIGHT.rest
    case 'waved':
      return atPart ? WAVED.part : rim && azimuth < 80 ? WAVED.rim : point.z > -1 ? WAVED.upper : WAVED.lower
    case 'tied':
      return rim ? TIED.rim : azimuth > 50 && azimuth < 120 ? TIED.side : point.z > 8 ? TIED.top : TIED.hidden
  }
}
