import type { LearnedFactors } from '../../model'
import type { Piece } from '../foils'
import {
  FOIL_SECONDS,
  FOIL_SECONDS_PER_CM,
  OPEN_SECONDS,
  OPEN_SECONDS_PER_CM,
  SCALP_SECONDS_PER_CM,
  SECONDS_VARIATION,
  SLOW_FROM_CM,
  SLOWER_PER_CM,
  SLOWEST,
  TEASED_SECONDS,
  ZONE_SECONDS,
} from './constants'
import { combinedSigma, rangeOf, type Range } from './range'

/** How much slower long hair is to lay into foils, ×. */
export const lengthSlowness = (hairLength: number): number =>
  Math.min(SLOWEST, 1 + SLOWER_PER_CM * Math.max(0, hairLength - SLOW_FROM_CM))

/** Hands-on time for one foil or scalp parting, s. */
export function pieceSeconds(piece: Piece, learned: LearnedFactors): number {
  const teased = piece.take.kind === 'teased' ? TEASED_SECONDS : 0
  const seconds = {
    foil: () => (FOIL_SECONDS + teased + FOIL_SECONDS_PER_CM * piece.width) * lengthSlowness(piece.hairLength),
    open: () => (OPEN_SECONDS + OPEN_SECONDS_PER_CM * piece.width) * lengthSlowness(piece.hairLength),
    onScalp: () => SCALP_SECONDS_PER_CM * piece.width,
  }[piece.kind]()
  return seconds * learned.seconds
}

/** Hands-on time for sectioning a zone and clipping it away, s. */
export const zoneSeconds = (learned: LearnedFactors): number => ZONE_SECONDS * learned.seconds

const SECONDS_SIGMA = combinedSigma([SECONDS_VARIATION])

/** Range of a time in s. */
export const secondsRange = (seconds: number): Range => rangeOf(seconds, 0, SECONDS_SIGMA)
