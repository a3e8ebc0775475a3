import { adviceFor, cautionsFor } from '../../judgement/advice'
import { lookOf, type Look } from '../../judgement/look'
import { activeVariant, type Advice, type Caution, type FaltoPlan } from '../../model'
import { hairsOfCells } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { mixPlan, type FormulaMix } from '../../product/bowls'
import type { Fold } from '../../time/fold'

/** A whole plan, computed and not rounded. */
export interface ComputedPlan extends ComputedStages, Judgement {}

/** What is read from the computed stages: how it will look, what to beware of, what could be better. */
export interface Judgement {
  look: Look
  /** Share of the head's hairs that nothing reaches. */
  shareLeft: number
  cautions: Caution[]
  advice: Advice[]
  /** What is mixed, formula by formula. */
  mixes: FormulaMix[]
}

/**
 * Looks at computed stages as a colourist would.
 * @param fold the hair after every stage
 */
export function judgePlan(plan: FaltoPlan, computed: ComputedStages, fold: Fold): Judgement {
  const { stages } = activeVariant(plan)
  const look = lookOf(plan, computed, fold)
  const shareLeft = stages.length > 1 ? untouched(plan, computed, fold) : notTaken(computed)
  return {
    look,
    shareLeft,
    cautions: cautionsFor(plan, computed, fold),
    advice: adviceFor(plan, stages, computed, look),
    mixes: mixPlan(plan, computed),
  }
}

/** Share of the hair that the only stage does not take. */
const notTaken = ({ zones, hairs }: ComputedStages): number =>
  Math.max(0, 1 - zones.reduce((sum, { placement, hair }) => sum + placement.takenShare * hair.hairs, 0) / hairs)

/** Share of the hair that no stage took: over several stages the same hair may be taken more than once. */
function untouched(plan: FaltoPlan, { head }: ComputedStages, { stages }: Fold): number {
  const hairs = hairsOfCells(head, plan.hair)
  const left = stages
    .at(-1)!
    .reduce(
      (sum, locks, i) =>
        sum + hairs[i]! * locks.reduce((own, { took, share }) => own + (took.length === 0 ? share : 0), 0),
      0,
    )
  return left / hairs.reduce((sum, one) => sum + one, 0)
}
