/**
 * A visit as it is remembered: what was planned beside what was done, what can be learned from it, and how it is done
 * again. Minutes, g, levels; money in smallest units.
 */
export type {
  DueClient,
  LoggedVisit,
  LogMonth,
  OpenLog,
  OpenVisit,
  Outbox,
  Review,
  VisitFile,
  WrittenMessage,
} from './open'
export { nearestFormulas, type FoundFormula, type UsedFormula } from './nearest'
export { repeatVisit, type Repeat } from './repeat'
export {
  figuresOf,
  keptOf,
  summariseVisit,
  type FormulaUse,
  type MixedFormula,
  type ToldVisit,
  type VisitBowl,
  type VisitFacts,
  type VisitFigures,
  type VisitSummary,
} from './summary'
