import type { HairState, Placement } from '../../model'
import { degrees } from '../../units'
import { GRADUATION_SLOPE, SIDE_PART_CM, PART_SIDE } from './constants'

/** Where the natural part runs, cm from the middle, positive towards the client's left. */
export const partX = ({ part }: Pick<HairState, 'part'>): number => SIDE_PART_CM * PART_SIDE[part ?? 'none']

/**
 * Partings that echo a graduated haircut: they fall as its line does (common practice). Undefined for cuts without a
 * slope.
 */
export function haircutParting({
  cutLine,
}: Pick<HairState, 'cutLine'>): Pick<Placement, 'direction' | 'angleDeg'> | undefined {
  if (cutLine !== 'graduatedForward' && cutLine !== 'graduatedBack') return undefined
  return {
    direction: cutLine === 'graduatedForward' ? 'diagonalForward' : 'diagonalBack',
    angleDeg: Math.round(degrees(Math.atan(GRADUATION_SLOPE))),
  }
}
