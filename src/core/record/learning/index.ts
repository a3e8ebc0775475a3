/**
 * Learning from logged visits: how this colourist's own figures differ from what the core starts with. Factors are
 * ratios without a unit; ranges hold the true one in 80 of 100 cases.
 */
export { SPREADS, type FactorName, type Spreads } from './constants'
export {
  courseOf,
  LEARNING_CHOICES,
  learnFactors,
  type Factor,
  type FactorPoint,
  type Job,
  type Learned,
  type LearningChoice,
} from './factors'
