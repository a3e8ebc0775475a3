/**
 * Whether a goal can be had: levels, visits and reasons. Levels 1…12, distances along the strand in cm; predictions are
 * spans from cautious to hopeful.
 */
export { assess, type Feasibility, type JudgedBand, type Reach, type Wish } from './assess'
export { canvasFor, judgeBand, type BandVerdict, type Prework, type Span } from './band'
export { CONTRAST_LEVELS, SCHOOL_MEANS, TONE_CANVAS, UPKEEP_WEEKS } from './constants'
export { checkGoal, startingGoal, type GoalProblem } from './goal'
export { targetFor } from './target'
export type { Reason } from './reasons'
export type { PlannedVisit } from './visits'
