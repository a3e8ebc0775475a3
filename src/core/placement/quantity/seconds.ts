import { learnedIn, type LearnedFactors, type Method } from '../../model'
import type { Piece } from '../foils'
import {
  AREA_SECONDS_PER_CM2,
  FOIL_SECONDS,
  PAINTING_SECONDS,
  SCALP_SECONDS_PER_CM,
  SECONDS_VARIATION,
  SLOW_FROM_CM,
  SLOWER_PER_CM,
  SLOWEST,
  STRETCH_SECONDS,
  TEASED_SECONDS,
  ZIGZAG_SLOWNESS,
  ZONE_SECONDS,
} from './constants'
import { combinedSigma, rangeOf, type Range } from './range'

/** How much slower long hair is to lay into foils, ×. */
export const lengthSlowness = (hairLength: number): number =>
  Math.min(SLOWEST, 1 + SLOWER_PER_CM * Math.max(0, hairLength - SLOW_FROM_CM))

/** Hands-on time for one foil, panel or scalp parting, s. */
export function pieceSeconds(piece: Piece, method: Method, learned: LearnedFactors): number {
  const { take, zigzag, hairLength } = piece
  const teased = take.teased && take.kind !== 'teased' ? TEASED_SECONDS : 0
  const parting = zigzag > 0 ? ZIGZAG_SLOWNESS : 1
  const long = method === 'brushOnScalp' || method === 'brush' ? 1 : lengthSlowness(hairLength)
  return (
    (teased + secondsOf(piece, method) * parting) *
    long *
    learned.seconds *
    (learnedIn(learned, 'pace', take.kind)?.mean ?? 1)
  )
}

function secondsOf({ take, width, along, kind, area }: Piece, method: Method): number {
  switch (method) {
    case 'foil':
      // What shares a foil with something else is laid on before that one is closed.
      return overWidth(along !== undefined || kind !== 'foil' ? STRETCH_SECONDS : FOIL_SECONDS[take.kind], width)
    case 'painting':
      return overWidth(PAINTING_SECONDS, width)
    case 'brushOnScalp':
      return SCALP_SECONDS_PER_CM * width
    default:
      return AREA_SECONDS_PER_CM2[method] * area
  }
}

const overWidth = ({ each, perCm }: { each: number; perCm: number }, width: number): number => each + perCm * width

/** Hands-on time for sectioning a zone and clipping it away, s. */
export const zoneSeconds = (learned: LearnedFactors): number => ZONE_SECONDS * learned.seconds

const SECONDS_SIGMA = combinedSigma([SECONDS_VARIATION])

/** Range of a time in s. */
export const secondsRange = (seconds: number): Range => rangeOf(seconds, 0, SECONDS_SIGMA)
