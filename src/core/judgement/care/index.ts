/**
 * Care checks: what is known, what is missing or out of date, and what has to be looked at before work. Dates
 * `YYYY-MM-DD`. Never says that something is safe.
 */
export { careCautions, type CareInput } from './cautions'
export { careStates, type CareState, type CareStanding } from './states'
export { VALID_DAYS } from './constants'
export { CONSENT_TEXT } from './consentText'
