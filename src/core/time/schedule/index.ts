/**
 * Stage 6: who does what when. Inside in whole seconds; a clock tells minutes from the start of the visit. Longest
 * times come from the labels by way of the process model; where they cannot be kept, the clock says by how much and
 * what would keep them.
 */
export {
  ALONE,
  ASSISTANT,
  clockFor,
  HELPERS,
  helpersFor,
  liftOf,
  SECOND_COLOURIST,
  visitFor,
  withHelp,
  type Assisting,
  type Clock,
  type ClockOptions,
  type ClockTask,
  type Conflict,
  type Crew,
  type CurvePoint,
  type Helper,
  type ZoneClock,
} from './clock'
export { TAKE_OUT_SECONDS } from './constants'
export { arrivalFor, dayFor, type DayClock, type DayVisit } from './day'
export { exactSchedule } from './exact'
export {
  prepare,
  SKILLS,
  timed,
  type Decision,
  type Lag,
  type Person,
  type Prepared,
  type Problem,
  type Resource,
  type Schedule,
  type Skill,
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
