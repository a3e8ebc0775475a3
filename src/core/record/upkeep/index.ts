/** What follows from a visit: when the client is due again, and what she does at home. */
export type { RootDesign } from './constants'
export { upkeepOf, type Days, type Upkeep } from './upkeep'
