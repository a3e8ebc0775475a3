/** Plans: opening, editing by operations, versions, import and export. */
export { applyOperations } from './operations'
export {
  addVersion,
  insertPlan,
  duplicatePlan,
  findPlan,
  importPlan,
  keepVersion,
  openPlan,
  setPlanRemoved,
} from './plans'
