import type { Canvas, FaltoPlan } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { createFoldMemory, foldPlan, type Fold } from '../../time/fold'
import { judgePlan, type ComputedPlan } from './judgePlan'
import { createMemory } from './memory'
import { computeStages } from './stages'

/** Zones remembered where nothing else is said: the stages and ideas of a few plans in hand. Our choice. */
const CAPACITY = 400

export interface Planner {
  /** Stages 1–4. @throws HeadMeasureError, TooManyPiecesError */
  computeStages(plan: FaltoPlan): ComputedStages
  /**
   * The hair after every stage.
   * @param canvas the hair as it was recorded last; left out, as the plan itself describes it. The same object while it
   * is the same hair: what was done to it before is then remembered
   */
  fold(plan: FaltoPlan, computed: ComputedStages, canvas?: Canvas): Fold
  /**
   * Everything about a plan. @throws HeadMeasureError, TooManyPiecesError
   * @param canvas as of `fold`
   */
  computePlan(plan: FaltoPlan, canvas?: Canvas): ComputedPlan
  /** Forgets every remembered result except the heads. For measuring. */
  forget(): void
}

/**
 * Computes plans and remembers what it computed, so that an edit recomputes only what it touches. Whoever computes owns
 * one: a worker, a server's thread, a test.
 * @param capacity zones whose results are kept
 */
export function createPlanner({ capacity = CAPACITY }: { capacity?: number } = {}): Planner {
  const memory = createMemory(capacity)
  let folds = createFoldMemory()
  const stagesOf = (plan: FaltoPlan) => computeStages(plan, memory)
  const fold: Planner['fold'] = (plan, computed, canvas) => foldPlan(plan, computed, { canvas, memory: folds })
  return {
    computeStages: stagesOf,
    fold,
    computePlan: (plan, canvas) => {
      const computed = stagesOf(plan)
      return { ...computed, ...judgePlan(plan, computed, fold(plan, computed, canvas)) }
    },
    forget: () => {
      memory.clear()
      folds = createFoldMemory()
    },
  }
}
