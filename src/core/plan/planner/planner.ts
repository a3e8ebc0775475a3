import type { Canvas, FaltoPlan } from '../../model'
import type { ComputedStages } from '../../placement/quantity'
import { foldPlan } from '../../time/fold'
import { judgePlan, type ComputedPlan } from './judgePlan'
import { createMemory } from './memory'
import { computeStages } from './stages'

/** Zones remembered where nothing else is said: the stages and ideas of a few plans in hand. Our choice. */
const CAPACITY = 400

export interface Planner {
  /** Stages 1–4. @throws HeadMeasureError, TooManyPiecesError */
  computeStages(plan: FaltoPlan): ComputedStages
  /**
   * Everything about a plan. @throws HeadMeasureError, TooManyPiecesError
   * @param canvas the hair as it was recorded last; left out, as the plan itself describes it
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
  const stagesOf = (plan: FaltoPlan) => computeStages(plan, memory)
  return {
    computeStages: stagesOf,
    computePlan: (plan, canvas) => {
      const computed = stagesOf(plan)
      return { ...computed, ...judgePlan(plan, computed, foldPlan(plan, computed, { canvas })) }
    },
    forget: memory.clear,
  }
}
