import { readAlong } from '../../numeric'
import { DENSITIES, type Density, type HairState, type Texture } from '../../model'
import { roundToTenth } from '../../units'
import {
  FIBRE_DIAMETER_UM,
  FULL_DENSITY_AREA,
  GROWTH_CM_PER_MONTH,
  HAIRS_PER_CM2,
  KERATIN_DENSITY,
  PONYTAIL_PACKING,
  TAPER,
  WEEKS_PER_MONTH,
} from './constants'

/** Mass of one fibre, g per cm of length: π d²/4 · 1.32 g/cm³. */
export function fibreGramsPerCm(texture: Texture): number {
  const diameterCm = FIBRE_DIAMETER_UM[texture] * 1e-4
  return (Math.PI / 4) * diameterCm * diameterCm * KERATIN_DENSITY
}

/** Hairs per cm² in the full part of the head. */
export const fullDensity = (density: Density): number => HAIRS_PER_CM2[density]

const TAPER_READINGS = TAPER.map(({ lengthCm, meanShare }) => [lengthCm, meanShare] as const)

/** Mean length of a lock over its longest hair, 0…1, for a longest length in cm. */
export const meanLengthShare = (lengthCm: number): number => readAlong(TAPER_READINGS, lengthCm)

/**
 * Total length of fibre in a lock between two distances from the scalp, as cm per hair at the root. The share of hairs
 * still there falls linearly from 1 at the root to `2·mean − 1` at the tip, which gives the lock its mean length.
 * @param lengthCm longest hair of the lock @param fromCm @param toCm distances from the scalp, cm
 */
export function fibreLengthBetween(lengthCm: number, fromCm: number, toCm: number): number {
  const from = Math.min(Math.max(fromCm, 0), lengthCm)
  const to = Math.min(Math.max(toCm, from), lengthCm)
  const lost = 2 * (1 - meanLengthShare(lengthCm))
  const remaining = (distance: number) => distance - (lost * distance * distance) / (2 * lengthCm)
  return remaining(to) - remaining(from)
}

/** New growth after a number of weeks, cm, at the usual rate or the client's own. @example regrowthCm(8) // 2.3 */
export const regrowthCm = (weeks: number, cmPerMonth = GROWTH_CM_PER_MONTH): number =>
  (weeks / WEEKS_PER_MONTH) * cmPerMonth

/** New growth since the last colour, cm, to the tenth that a brush can keep to. */
export const newGrowthCm = ({
  weeksSinceColour,
  growthCmPerMonth,
}: Pick<HairState, 'weeksSinceColour' | 'growthCmPerMonth'>): number =>
  roundToTenth(regrowthCm(weeksSinceColour, growthCmPerMonth))

/**
 * Circumference of a ponytail of `hairs` fibres, cm: bundle area = N·πd²/4 / packing.
 * @example ponytailCircumference(129_000, 'medium') // 9.8
 */
export function ponytailCircumference(hairs: number, texture: Texture): number {
  const diameterCm = FIBRE_DIAMETER_UM[texture] * 1e-4
  return Math.PI * diameterCm * Math.sqrt(hairs / PONYTAIL_PACKING)
}

/**
 * The density class whose ponytail comes nearest to a measured one. Inverse of {@link ponytailCircumference}.
 * @param circumferenceCm cm
 */
export function densityFromPonytail(circumferenceCm: number, texture: Texture): Density {
  const miss = (density: Density) =>
    Math.abs(ponytailCircumference(HAIRS_PER_CM2[density] * FULL_DENSITY_AREA, texture) - circumferenceCm)
  return [...DENSITIES].sort((a, b) => miss(a) - miss(b))[0]!
}
