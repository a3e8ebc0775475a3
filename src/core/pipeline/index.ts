/** Joins the stages: a plan document in, everything computed out, rounded in one place. */
export { checkPlan, type PlanProblem } from './checkPlan'
export { activeVariant, computePlan, forgetAllButHeads, type ComputedPlan } from './computePlan'
export { derivationsOf, type Derivation, type DerivationLine, type Derivations } from './derivations'
export { planFigures, type PlanFigures, type ZoneFigures } from './figures'
