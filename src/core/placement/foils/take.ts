import { entryOf, type Cover, type Direction, type Placement, type Take } from '../../model'
import { ON_SKIN_CM, PAINT_SATURATION, PAINTED_SHARE, TEASED_SHARE, USUAL_SATURATION } from './constants'

/** Share of a subsection's hair that a take picks up, 0…1; of what back-combing leaves in the hand where it is. */
export const takenShare = (take: Take): number =>
  shareOf(take) * (take.teased && take.kind !== 'teased' ? TEASED_SHARE : 1)

function shareOf(take: Take): number {
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

/** How generously a take is soaked, 0…1: as asked, or the usual; paint that nobody thinned is laid on thickly. */
export const saturationOf = ({ kind, saturation }: Take): number =>
  saturation ?? (kind === 'painted' ? PAINT_SATURATION : USUAL_SATURATION)

export const isStitched = ({ kind }: Pick<Take, 'kind'>): boolean => kind === 'weave' || kind === 'babylight'

/** Whether partings slant, so that they have a slope. */
export const isDiagonal = (direction: Direction): boolean =>
  direction === 'diagonalBack' || direction === 'diagonalForward'

/** Whether a placement takes all hair of its section that it may take: back to back, nothing skipped, nothing left. */
export const takesAll = ({ take, rowGapMm, sequence, ramps = [], panel, dropout, onePanel }: Placement): boolean =>
  sequence.length > 0 &&
  sequence
    .map(entryOf)
    .every(
      (entry) =>
        entry.stretches.length > 0 &&
        entry.select === undefined &&
        (takenShare(entry.take ?? take) === 1 || dropout !== undefined),
    ) &&
  (rowGapMm === 0 || onePanel === true) &&
  ramps.every(({ figure }) => figure !== 'subsectionMm' && figure !== 'rowGapMm' && !figure.startsWith('stitch')) &&
  (!panel || (panel.take !== 'leave' && panel.rest !== 'leave'))
