/** Visits as they are carried out: a pinned script, a log that is only added to, and everybody told of what is new. */
export { addToRun, beginRun, chairFormulas, logEvents, openRun, recordHair, runsOf } from './runs'
export { eventsAfter } from './log'
export { streamRun } from './stream'
