/**
 * Cautions, notes and rules of thumb read from a computed plan. Wording defers to product instructions, local codes and
 * licensed practice.
 */
import type { Look } from '../look'
import { byId, indexPlan, isLightener, type Advice, type FaltoPlan, type Stage } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { adviceFrom, type Worked } from './rules'

export { cautionsFor } from './cautions'
export type { RuleId } from './rules'

/** What the rules of thumb say about a computed plan. @param stages of the active variant */
export function adviceFor(plan: FaltoPlan, stages: readonly Stage[], computed: ComputedStages, look: Look): Advice[] {
  const formulas = new Map(
    plan.formulas.map((formula) => [formula.id, { formula, product: indexPlan(plan).leadOf(formula) }]),
  )
  const worked = computed.zones.flatMap((result): Worked[] => {
    if (result.placement.pieces.length === 0) return []
    const stage = byId(stages, result.stageId)
    const zone = byId(stage.zones, result.zoneId)
    const used = [...new Set(result.placement.pieces.map(({ formulaId }) => formulaId))].map((id) => formulas.get(id)!)
    return [{ stage, zone, result, used, lightens: used.some(({ product }) => isLightener(product.kind)) }]
  })
  return adviceFrom({ plan, computed, look, stages, worked })
}
