import { activeVariant, placementLetters, type FaltoPlan, type StageKind } from '../../model'
import { touchesScalp } from '../../placement/foils'

/** The stage a formula is used in first; a treatment where it is used in none. */
export function stageKindOf(plan: FaltoPlan, formulaId: string): { kind: StageKind; onScalp: boolean } {
  for (const { kind, zones } of activeVariant(plan).stages)
    for (const { placement } of zones)
      if (placementLetters(placement).includes(formulaId)) return { kind, onScalp: touchesScalp(placement) }
  return { kind: 'treat', onScalp: false }
}
