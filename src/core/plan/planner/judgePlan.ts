import { adviceFor, cautionsFor } from '../../judgement/advice'
import { lookOf, type Look } from '../../judgement/look'
import { activeVariant, type Advice, type Caution, type FaltoPlan } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { mixPlan, type FormulaMix } from '../../product/bowls'

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

/** Looks at computed stages as a colourist would. */
export function judgePlan(plan: FaltoPlan, computed: ComputedStages): Judgement {
  const { stages } = activeVariant(plan)
  const look = lookOf(plan, stages, computed)
  // Over several stages the same hair may be taken more than once; what nothing reaches is then the look's to tell.
  const shareLeft =
    stages.length > 1
      ? look.left
      : Math.max(0, 1 - Object.values(computed.shareByFormula).reduce((sum, share) => sum + share, 0))
  return {
    look,
    shareLeft,
    cautions: cautionsFor(plan, computed),
    advice: adviceFor(plan, stages, computed, look),
    mixes: mixPlan(plan, computed),
  }
}
