/** Entries into Falto: their shapes, and how they are checked. */
export { FaltoPlanDto } from './plan'
export { isDay } from './decorators'
export { CatalogueItemDto } from './product'
export * from './requests'
export { checkEntry, checkPlanDocument, describeProblems, type Checked, type FieldProblem } from './validate'
