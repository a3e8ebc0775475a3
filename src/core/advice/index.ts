/** Cautions and notes read from a computed plan. Wording defers to product instructions, local codes and licensed practice. */
export { cautionsFor, type Caution } from './cautions'
