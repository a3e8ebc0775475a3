/** Stage 7: the hair after a service. Shares 0…1, levels 1…12, distances along the strand in cm. */
export { afterPlan, type CameLevel, type DonePlan } from './afterPlan'
export { treatBand, type Application } from './treat'
