/**
 * Figures counted in pictures of a head of hair: what of it is seen, how light it is and where. Shares 0…1 of the hair
 * that is seen, levels 1…12, lengths in cm.
 */
export { CHANGED_BY, SHOWS_FROM, VIEW_WEIGHTS } from './constants'
export { countSeen, type LookFigures, type Seen, type ViewFigures } from './figures'
export { growsAtFace, type Shelf } from './levels'
export { seenPoints, seenShares, type SeenPoints, type SeenShares } from './seen'
