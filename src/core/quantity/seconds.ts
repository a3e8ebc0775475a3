import type { LearnedFactors } from '../model'
import type { Piece } from '../placement'
import {
  FOIL_SECONDS,
  FOIL_SECONDS_PER_CM,
  SCALP_SECONDS_PER_CM,
  SECONDS_VARIATION,
  SLOW_FROM_CM,
  SLOWER_PER_CM,
  SLOWEST,
  ZONE_SECONDS,
} from './constants'
import { combinedSigma, rangeOf, type Range } from './range'

/** How much slower long hair is to lay into foils, ×. */
export const lengthSlowness = (hairLength: number): number =>
  Math.min(SLOWEST, 1 + SLOWER_PER_CM * Math.max(0, hairLength - SLOW_FROM_CM))

/** Hands-on time for one foil or scalp parting, s. */
export function pieceSeconds(piece: Piece, learned: LearnedFactors): number {
  const seconds =
    piece.kind === 'foil'
      ? (FOIL_SECONDS + FOIL_SECONDS_PER_CM * piece.width) * lengthSlowness(piece.hairLength)
      : SCALP_SECONDS_PER_CM * piece.width
  return seconds * learned.seconds
}

/** Hands-on time for sectioning a zone and clipping it away, s. */
export const zoneSeconds = (learned: LearnedFactors): number => ZONE_SECONDS * learned.seconds

const SECONDS_SIGMA = combinedSigma([SECONDS_VARIATION])

/** Range of a time in s. */
export const secondsRange = (seconds: number): Range => rangeOf(seconds, 0, SECONDS_SIGMA)
