/**
 * Computing beside the web thread: plans are computed by a few workers, so that a page that asks for a whole shelf or
 * day holds up nobody else's.
 */
export { computing, workers } from './pool'
export type { Needs } from './jobs'
export { oncePerState, type KeptPlan } from './oncePerState'
export { seenOf } from './seen'
