import type { FaltoPlan } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { roundToTenth } from '../../units'

/** One line of the list that is read aloud while a plan is carried out. Lengths in cm. */
export interface FoilLine {
  /** In the order of application over the whole plan, from 1. */
  turn: number
  stage: string
  zone: string
  row: number
  formula: string
  kind: 'foil' | 'same foil' | 'open' | 'scalp'
  take: string
  widthCm: number
  foilLengthCm: number
  fromCm: number
  hairs: number
}

const KINDS = { foil: 'foil', open: 'open', onScalp: 'scalp' } as const

/** Every foil, panel and scalp parting in the order in which it is worked. */
export function foilList(plan: FaltoPlan, { zones }: Pick<ComputedStages, 'zones'>): FoilLine[] {
  const stages = new Map(plan.variants.flatMap((variant) => variant.stages.map(({ id, name }) => [id, name])))
  const lines: FoilLine[] = []
  for (const zone of zones)
    for (const piece of zone.placement.pieces)
      lines.push({
        turn: lines.length + 1,
        stage: stages.get(zone.stageId)!,
        zone: zone.name,
        row: piece.row + 1,
        formula: piece.formulaId,
        kind: piece.kind === 'open' && piece.cover === 'foil' ? 'same foil' : KINDS[piece.kind],
        take: piece.along ? 'along the strand' : piece.id.endsWith('/dropout') ? 'dropout' : piece.take.kind,
        widthCm: roundToTenth(piece.width),
        foilLengthCm: roundToTenth(piece.foilLength),
        fromCm: roundToTenth(piece.fromCm),
        hairs: Math.round(piece.takenHairs),
      })
  return lines
}
