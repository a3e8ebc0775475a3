import { createPlanner } from '@/core/plan/planner'

/** One planner a test file; what it remembers is never another file's. */
export const planner = createPlanner()
export const { computePlan, computeStages } = planner
