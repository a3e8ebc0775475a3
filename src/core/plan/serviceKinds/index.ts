/** Plans to start from: an empty one on a layout, or a kind of service on shared parts. Parameters, not copies. */
export { placed, planFromDesign, type Change, type Design, type StageDesign } from './design'
export { CannotAddError, stageFor } from './more'
export { newPlanDocument, onShelf, STARTING_PRODUCTS, type Person } from './newPlan'
export { proposePlan, wishedIn, type Proposal, type Wished } from './propose'
export type { Service } from './parts'
export { planFromService, SERVICES, type ServiceId } from './serviceKinds'
