import { isVirgin } from '../../hair/hairRecord'
import { colourLift, depositAfter, depositOn, surfaceOfBand, type Dye } from '../../product/formula'
import { isColour, isLightener, type Band, type ProductKind, type Texture } from '../../model'
import { rangeOf, combinedSigma, type Range } from '../../placement/quantity'
import { COLOUR_LIFT_MINUTES, LIGHTEST_LEVEL, OVERLAP_STRAIN, RATE_VARIATION, STRAIN_BUDGET } from './constants'
import { historyRate, lightestOf, uncertaintyOf } from './history'
import { exposureForLift, liftFromExposure } from './lift'

/** One place of one strand, as product finds it. */
export interface StrandPlace {
  band: Band
  /** Level the hair grows with. */
  naturalLevel: number
  texture: Texture
  /** Speed of lift where it grows, against the top of the head. */
  placeRate: number
}

/**
 * Where a place stands on its curve of lift: levels it can be lifted in all (what the product can, and no lighter than
 * hair becomes), what of them is behind it, and its speed. Hair that was lightened starts higher, with less headroom;
 * dark dye hides natural pigment, so a dyed band starts at the level it shows.
 */
function standing(
  { band, naturalLevel, texture, placeRate }: StrandPlace,
  maximumLift: number,
): { reach: number; before: number; rate: number } {
  const natural = Math.min(naturalLevel, band.level)
  const reach = Math.max(0, Math.min(maximumLift, lightestOf(band) - natural))
  return { reach, before: Math.min(band.level - natural, 0.999 * reach), rate: historyRate(band, texture) * placeRate }
}

/** Level after an exposure, as a range over how fast heads lift. */
export function levelAfter(place: StrandPlace, exposure: number, maximumLift: number): Range {
  const { reach, before, rate } = standing(place, maximumLift)
  const already = exposureForLift(before, reach)
  const lift = rangeOf(rate * exposure, 0, combinedSigma([RATE_VARIATION * uncertaintyOf(place.band)]))
  const levelOf = (added: number) =>
    reach <= 0 || added <= 0 ? place.band.level : place.band.level + liftFromExposure(already + added, reach) - before
  return { low: levelOf(lift.low), expected: levelOf(lift.expected), high: levelOf(lift.high) }
}

/** Exposure a place needs to come to a level; infinite where it never does. */
export function exposureForLevel(place: StrandPlace, level: number, maximumLift: number): number {
  if (level <= place.band.level) return 0
  const { reach, before, rate } = standing(place, maximumLift)
  return rate <= 0 || reach <= 0
    ? Infinity
    : (exposureForLift(before + level - place.band.level, reach) - exposureForLift(before, reach)) / rate
}

/** Share of what a band stands that a dose of peroxide uses up; 1 and more is too much. */
export function strainOf({ band }: StrandPlace, dose: number): number {
  const overlap = band.treatments.some(({ kind }) => kind === 'lightened') ? OVERLAP_STRAIN : 1
  return (dose * overlap) / STRAIN_BUDGET[band.integrity]
}

/**
 * Level that colour leaves after some minutes of the time it is meant to sit: permanent colour lifts natural pigment,
 * then all of it deposits.
 */
export function colouredAfter({ band }: StrandPlace, dye: Dye, minutes: number, fullMinutes: number): number {
  const surface = surfaceOfBand('', band, 0)
  const lifts = dye.kind === 'permanentColour' && isVirgin(band)
  const lifted = lifts
    ? colourLift(dye.vol) *
      ((1 - Math.exp(-minutes / COLOUR_LIFT_MINUTES)) / (1 - Math.exp(-fullMinutes / COLOUR_LIFT_MINUTES)))
    : 0
  const opened = lifts
    ? {
        ...surface,
        level: Math.min(LIGHTEST_LEVEL, surface.level + Math.min(lifted, colourLift(dye.vol))),
        state: 'lightened' as const,
      }
    : surface
  return depositOn(opened, depositAfter(dye, minutes / fullMinutes)).level
}

/** Whether a kind of product changes the level by lifting, by leaving colour, or not at all. */
export const worksBy = (kind: ProductKind): 'lift' | 'colour' | 'care' =>
  isLightener(kind) ? 'lift' : isColour(kind) || kind === 'filler' ? 'colour' : 'care'
