/** Hair physics: how many hairs, how long, how heavy. Lengths in cm, masses in g, densities per cm² of scalp. */
export {
  densityFromPonytail,
  fibreGramsPerCm,
  fibreLengthBetween,
  fullDensity,
  meanLengthShare,
  newGrowthCm,
  ponytailCircumference,
  regrowthCm,
} from './fibre'
export { haircutParting, partX } from './part'
export { hairsOnHead, hairsPerCm2, rootLength } from './onScalp'
export { FIBRE_DIAMETER_UM, GROWTH_CM_PER_MONTH, HAIRS_PER_CM2, KERATIN_DENSITY } from './constants'
