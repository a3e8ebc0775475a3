/** Joins the stages: a plan document in, everything computed out, rounded in one place. */
export { afterFigures, type AfterFigures } from './afterFigures'
export { checkPlan, type PlanProblem } from './checkPlan'
export { clockFigures, type ClockFigures, type ClockTaskFigures, type ZoneClockFigures } from './clockFigures'
export { judgePlan, type ComputedPlan, type Judgement } from './judgePlan'
export { createPlanner, type Planner } from './planner'
export { derivationsOf, type Derivation, type DerivationLine, type Derivations } from './derivations'
export {
  judgedFigures,
  planFigures,
  stageFigures,
  type JudgedFigures,
  type MixFigures,
  type PlanFigures,
  type StageFigures,
  type ZoneFigures,
} from './figures'
