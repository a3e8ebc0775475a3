/** Visits as they are remembered: pages, log, reviews, what is learned from them, and doing one again. */
export { chooseLearning, learnedIn, type Learned } from './learning'
export { csvOfLog, listVisits, openLog } from './list'
export { openVisit } from './read'
export { repeatPlan } from './repeat'
export { saveReview } from './review'
export { tellLeft } from './summary'
