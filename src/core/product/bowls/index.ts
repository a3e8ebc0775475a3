/**
 * What is mixed for a plan: bowls with their parts in g, the choice between large and fresh, and what a formula leaves
 * on hair.
 */
export { mixPlan, type BowlOption, type FormulaMix, type MixedBowl, type MixedPart } from './mixPlan'
export { gramsByFormula, inBowl } from './weighed'
export { stageKindOf } from './stageKind'
export {
  corrected,
  describeStep,
  madeOf,
  nextTarget,
  poured,
  pouringOf,
  withDeveloper,
  type Pouring,
  type PouringLine,
  type PourVerdict,
} from './pouring'
