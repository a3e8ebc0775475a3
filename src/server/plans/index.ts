/** Plans: opening, editing by operations, versions, import and export. */
export { findPlan, lockPlan } from './find'
export { applyOperations } from './operations'
export {
  acknowledgementsOf,
  addVersion,
  insertPlan,
  insertPlanIn,
  duplicatePlan,
  importPlan,
  keepVersion,
  openPlan,
  setPlanRemoved,
} from './plans'
