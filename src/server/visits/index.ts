/** Visits as they are remembered: pages, log, reviews, what is learned from them, who is due, and doing one again. */
export { afterCareOf } from './afterCare'
export { dueIn } from './due'
export { chooseLearning, learnedIn, ownFactors, type Learned } from './learning'
export { csvOfLog, listVisits, openLog } from './list'
export { openVisit } from './read'
export { repeatPlan } from './repeat'
export { saveReview } from './review'
export { tellLeft } from './summary'
