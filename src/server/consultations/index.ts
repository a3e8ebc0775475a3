/**
 * Consultations: what was found on the hair and what is wished, day by day, and what plans that were carried out have
 * left.
 */
export { foresee, foreseeInOrder, markDone, recordDone, refuseDayToCome, type Foreseen } from './done'
export { inTurn } from './inTurn'
export { lastVisitOf, newestCanvases, newestConsultation, openConsultation } from './read'
export { saveConsultation } from './save'
