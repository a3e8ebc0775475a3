/** The live run: a visit pinned as a script, the log folded into what is so now, and the rest timed anew. Times in ms since 1970; script times in s from the start. */
export { foldRun, shownAt, WAITING, type RunState, type StepState } from './fold'
export { runOutcome, type RunOutcome } from './outcome'
export { expectedRun, type Deadline, type Expected, type ExpectedStep } from './retime'
export { scriptFor, zoneOfStep, type RunScript, type ScriptLag, type ScriptStep } from './script'
