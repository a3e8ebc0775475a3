/**
 * The fold: the hair after every stage of a visit, as populations with bands on the scalp's cells. Shares 0…1, levels
 * 1…12, distances from the scalp in cm. What the next stage meets, what is seen at the end and what the record says are
 * all read from it. Predicted as meant; what was seen at the chair replaces it.
 */
export { selects } from './cell'
export { foldPlan, worksOnLock, type CameLevel, type Fold, type FoldOptions } from './fold'
export { createFoldMemory } from './memory'
export { type FoldedCells, type Lock } from './locks'
export { processOf, sidesIn } from './met'
export { surfacesOf } from './surfaces'
export { shownLevel } from './treat'
