/**
 * Cautions, notes and rules of thumb read from a computed plan. Wording defers to product instructions, local codes and
 * licensed practice.
 */
import type { Look } from '../look'
import { isLightener, type Advice, type FaltoPlan, type Stage } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { adviceFrom, RULES, type Worked } from './rules'

export { cautionsFor } from './cautions'

/** Ids of all rules of thumb, in their order. */
export const RULE_IDS: readonly string[] = RULES.map(({ id }) => id)

/** What the rules of thumb say about a computed plan. @param stages of the active variant */
export function adviceFor(plan: FaltoPlan, stages: readonly Stage[], computed: ComputedStages, look: Look): Advice[] {
  const formulas = new Map(
    plan.formulas.map((formula) => [
      formula.id,
      { formula, product: plan.products.find(({ id }) => id === formula.productId)! },
    ]),
  )
  const worked = computed.zones.flatMap((result): Worked[] => {
    if (result.placement.pieces.length === 0) return []
    const stage = stages.find(({ id }) => id === result.stageId)!
    const zone = stage.zones.find(({ id }) => id === result.zoneId)!
    const used = [...new Set(result.placement.pieces.map(({ formulaId }) => formulaId))].map((id) => formulas.get(id)!)
    return [{ stage, zone, result, used, lightens: used.some(({ product }) => isLightener(product.kind)) }]
  })
  return adviceFrom({ plan, computed, look, stages, worked })
}
