/** Cautions and notes read from a computed plan. Wording defers to product instructions, local codes and licensed practice. */
export { cautionsFor } from './cautions'
