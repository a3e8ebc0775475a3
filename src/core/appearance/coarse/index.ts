/**
 * What is seen of each part of the scalp's hair, coarsely and at once: for figures that follow every edit of a plan.
 * The Look counts the same on the client's own head at leisure.
 */
export { kindOfHair, knowSeen, seenCells } from './coarse'
