/**
 * Stage 5: what product does over time, place by place of a strand: lift as a range, colour, and how much of what the
 * hair stands is used up. Times in min, temperatures in °C, lift in levels, doses in % peroxide · min at 33 °C. A
 * product's longest time caps every prediction.
 */
export {
  celsiusAt,
  driesAfter,
  exposureOf,
  freshness,
  reappliedAt,
  type Course,
  type CourseEvent,
  type Exposure,
} from './course'
export {
  HEAT_CELSIUS,
  LIGHTEST_LEVEL,
  NEAR_ENOUGH,
  RATE_VARIATION,
  ROOM_CELSIUS,
  USUAL_MAXIMUM_LIFT,
} from './constants'
export { EVERY_MINUTE, fullStrengthOf, type FullStrength } from './fullStrength'
export { historyRate, lightestOf, softened } from './history'
export { dilutionFactor, liftAfter, liftRate, mixRate, type LiftConditions } from './lift'
export { answerLift, type LiftAnswer, type LiftQuestion } from './question'
export {
  createProcess,
  middleOf,
  stayOf,
  type HairOf,
  type MetHair,
  type PieceTimes,
  type PlannedStay,
  type ServiceProcess,
  type SidesOf,
  type SpotResult,
  type Stay,
} from './service'
export { colouredAfter, exposureForLevel, levelAfter, strainOf, type StrandPlace } from './strand'
