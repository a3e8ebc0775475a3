import { LEAVE, type Cover, type Direction, type Placement, type Take } from '../../model'
import { ON_SKIN_CM, PAINTED_SHARE, TEASED_SHARE } from './constants'

/** Share of a subsection's hair that a take picks up, 0…1. */
export function takenShare(take: Take): number {
  switch (take.kind) {
    case 'weave':
    case 'babylight':
      return (take.stitchMm / (take.stitchMm + take.stitchGapMm)) * take.depthShare
    case 'teased':
      return TEASED_SHARE
    case 'painted':
      return PAINTED_SHARE[take.shape ?? 'v']
    case 'slice':
    case 'block':
    case 'onScalp':
      return 1
  }
}

/** What lies over the product: as asked, or as it usually is for the take. */
export const coverOf = ({ cover, take }: Pick<Placement, 'cover' | 'take'>): Cover =>
  cover ?? (take.kind === 'painted' || take.kind === 'block' || take.kind === 'onScalp' ? 'open' : 'foil')

/** Whether product of a placement gets onto the skin: put there, or begun at the root without a foil around it. */
export const touchesScalp = (placement: Pick<Placement, 'cover' | 'take' | 'startCm'>): boolean =>
  pieceTouchesScalp({ kind: placement.take.kind, cover: coverOf(placement), fromCm: placement.startCm })

/** Whether a piece's does. */
export const pieceTouchesScalp = ({ kind, cover, fromCm }: { kind: string; cover: Cover; fromCm: number }): boolean =>
  kind === 'onScalp' || (cover !== 'foil' && fromCm < ON_SKIN_CM)

export const isStitched = ({ kind }: Pick<Take, 'kind'>): boolean => kind === 'weave' || kind === 'babylight'

/** Whether partings slant, so that they have a slope. */
export const isDiagonal = (direction: Direction): boolean =>
  direction === 'diagonalBack' || direction === 'diagonalForward'

/** Whether a placement takes all hair of its section that it may take: back to back, nothing skipped, nothing left. */
export const takesAll = ({ take, rowGapMm, sequence, ramps = [], panel, dropout }: Placement): boolean =>
  sequence.length > 0 &&
  !sequence.includes(LEAVE) &&
  rowGapMm === 0 &&
  ramps.every(({ figure }) => figure === 'startCm') &&
  panel?.rest !== 'leave' &&
  (takenShare(take) === 1 || dropout !== undefined)
