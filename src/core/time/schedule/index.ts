/**
 * Stage 6: who does what when. Inside in whole seconds; a clock tells minutes from the start of the visit. Longest
 * times come from the labels by way of the process model; where they cannot be kept, the clock says by how much and
 * what would keep them.
 */
export { clockFor, visitFor, type Clock, type ClockOptions, type ClockTask, type Conflict } from './clock'
export {
  ALONE,
  ASSISTANT,
  HELPERS,
  helpersFor,
  SECOND_COLOURIST,
  withHelp,
  type Assisting,
  type Crew,
  type Helper,
} from './crew'
export { liftOf, type CurvePoint, type ZoneClock } from './zones'
export { TAKE_OUT_SECONDS } from './constants'
export { canWork, hoursOn, presumedPresent } from './hours'
export { arrivalFor, dayCrew, dayFor, type DayClock, type DayCrew, type DayVisit } from './day'
export { exactSchedule } from './exact'
export {
  prepare,
  timed,
  timedWithin,
  type Decision,
  type Lag,
  type Person,
  type Prepared,
  type Problem,
  type Resource,
  type Schedule,
  type Task,
} from './problem'
export { findSchedule, searchSchedule } from './search'
export { remediesFor, type Remedy, type RemedyKind } from './remedies'
export {
  FOILS_OUT,
  reachesScalpAndLengths,
  WORKING_ORDERS,
  type FoilsOut,
  type ServedPiece,
  type WorkingOrder,
} from './stretches'
export { reappliedBy } from './afresh'
export { needsOf, type TaskKind } from './draft'
