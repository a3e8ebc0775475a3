/**
 * What is seen of each part of the scalp's hair, coarsely and at once: for figures that follow every edit of a plan.
 * The Look counts the same on the client's own head at leisure.
 */
export { seenCells, type SeenCells, type WearKind } from './coarse'
