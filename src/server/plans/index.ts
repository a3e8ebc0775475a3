/** Plans: opening, editing by operations, versions, import and export. */
export { newPlanDocument, STARTING_PRODUCTS, startingFormulas } from './newPlan'
export { applyOperations } from './operations'
export {
  addVersion,
  createPlan,
  duplicatePlan,
  findPlan,
  importPlan,
  keepVersion,
  openPlan,
  setPlanRemoved,
} from './plans'
