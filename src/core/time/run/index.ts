/**
 * The live run: a visit pinned as a script, the log folded into what is so now, and the rest timed anew. Times in ms
 * since 1970; script times in s from the start.
 */
export { amendedPlan, amendedRun, amendmentsIn, type Amendment } from './amend'
export { mayDo, personOf, type RunPerson } from './crew'
export { foldRun, shownAt, WAITING, type BowlState, type RunState, type StepState } from './fold'
export { leftOut, levelsToConfirm, runOutcome, type LevelToConfirm, type RunOutcome } from './outcome'
export { rescuesFor, type Rescue } from './rescue'
export { expectedRun, type Cause, type Deadline, type Expected, type ExpectedStep } from './retime'
export { endsOf, pastLabels, scriptFor, zoneOfStep, type RunScript, type ScriptLag, type ScriptStep } from './script'
export { runZones, type RunZone, type ZoneStatus } from './zones'
export { underProduct, type UnderProduct } from './underProduct'
