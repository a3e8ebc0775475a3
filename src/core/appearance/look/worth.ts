import { appliedGrams, type ComputedStages } from '../../placement/quantity'
import { roundToTenth } from '../../units'
import type { LookFigures } from '../figures'
import type { Takers } from '../paint'

/** What a foil or panel adds to what is seen, and what it costs. */
export interface Worth {
  pieceId: string
  zoneId: string
  stageId: string
  /** Of all that is seen of the hair, %. */
  seenPercent: number
  minutes: number
  grams: number
}

/**
 * Pieces by what is seen of them, the least first: what could be left out. Blocks and scalp work have no foils to
 * spare.
 */
export function worthOf({ zones }: ComputedStages, { pieces }: LookFigures, takers: Takers): Worth[] {
  const cost = new Map(
    zones.flatMap(({ placement, seconds, grams }) =>
      placement.pieces.map((piece, i) => [piece.id, { seconds: seconds[i]!, grams: appliedGrams(grams[i]!) }] as const),
    ),
  )
  return takers.pieces
    .map(({ piece, zoneId, stageId }, i) => ({ piece, zoneId, stageId, seen: pieces[i]! }))
    .filter(({ piece }) => piece.kind !== 'onScalp')
    .sort((a, b) => a.seen - b.seen)
    .map(({ piece, zoneId, stageId, seen }) => {
      const { seconds, grams } = cost.get(piece.id)!
      return {
        pieceId: piece.id,
        zoneId,
        stageId,
        seenPercent: Math.round(10_000 * seen) / 100,
        minutes: roundToTenth(seconds / 60),
        grams: roundToTenth(grams),
      }
    })
}
