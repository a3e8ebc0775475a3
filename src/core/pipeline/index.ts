/** Joins the stages: a plan document in, everything computed out, rounded in one place. */
export { activeVariant, computePlan, forgetAllButHeads, type ComputedPlan, type ZoneResult } from './computePlan'
export { planFigures, type PlanFigures, type ZoneFigures } from './figures'
