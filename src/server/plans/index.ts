/** Plans: opening, editing by operations, versions, import and export. */
export { newPlanDocument, STARTING_PRODUCTS, startingFormulas } from './newPlan'
export { applyOperations, readHistory, type EditRecord, type History } from './operations'
export {
  acknowledgeCaution,
  createPlan,
  duplicatePlan,
  findPlan,
  importPlan,
  keepVersion,
  openPlan,
  setPlanRemoved,
  type Acknowledgement,
  type OpenPlan,
} from './plans'
