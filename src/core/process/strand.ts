import { isVirgin } from '../canvas'
import { colourLift, depositAfter, depositOn, surfaceOfBand, type Dye } from '../formula'
import { isLightener, type Band, type ProductKind, type Texture } from '../model'
import { rangeOf, combinedSigma, type Range } from '../quantity'
import { COLOUR_LIFT_MINUTES, LIGHTEST_LEVEL, OVERLAP_STRAIN, RATE_VARIATION, STRAIN_BUDGET } from './constants'
import { historyRate } from './history'
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

const RATE_SIGMA = combinedSigma([RATE_VARIATION])

/** Levels that can still be lifted from natural: what the product can, and no lighter than hair becomes. */
const reachOf = ({ naturalLevel }: StrandPlace, maximumLift: number): number => Math.max(0, Math.min(maximumLift, LIGHTEST_LEVEL - naturalLevel))

/** What was lifted already: hair that was lightened starts higher on the same curve, with less headroom. */
const liftedBefore = ({ band, naturalLevel }: StrandPlace, reach: number): number => Math.min(Math.max(0, band.level - naturalLevel), 0.999 * reach)

const rateOf = ({ band, texture, placeRate }: StrandPlace): number => historyRate(band, texture) * placeRate

/** Level after an exposure, as a range over how fast heads lift. Dark dye hides natural pigment, so a dyed band is lifted from the level it shows. */
export function levelAfter(place: StrandPlace, exposure: number, maximumLift: number): Range {
  const dark = place.band.level < place.naturalLevel
  const from = dark ? { ...place, naturalLevel: place.band.level } : place
  const reach = reachOf(from, maximumLift)
  const before = liftedBefore(from, reach)
  const already = exposureForLift(before, reach)
  const lift = rangeOf(rateOf(from) * exposure, 0, RATE_SIGMA)
  const levelOf = (added: number) => (reach <= 0 || added <= 0 ? place.band.level : place.band.level + liftFromExposure(already + added, reach) - before)
  return { low: levelOf(lift.low), expected: levelOf(lift.expected), high: levelOf(lift.high) }
}

/** Exposure a place needs to come to a level; infinite where it never does. */
export function exposureForLevel(place: StrandPlace, level: number, maximumLift: number): number {
  if (level <= place.band.level) return 0
  const from = place.band.level < place.naturalLevel ? { ...place, naturalLevel: place.band.level } : place
  const reach = reachOf(from, maximumLift)
  const before = liftedBefore(from, reach)
  const rate = rateOf(from)
  return rate <= 0 || reach <= 0 ? Infinity : (exposureForLift(before + level - place.band.level, reach) - exposureForLift(before, reach)) / rate
}

/** Share of what a band stands that a dose of peroxide uses up; 1 and more is too much. */
export function strainOf({ band }: StrandPlace, dose: number): number {
  const overlap = band.treatments.some(({ kind }) => kind === 'lightened') ? OVERLAP_STRAIN : 1
  return (dose * overlap) / STRAIN_BUDGET[band.integrity]
}

/** Level that colour leaves after some minutes of the time it is meant to sit: permanent colour lifts natural pigment, then all of it deposits. */
export function colouredAfter({ band }: StrandPlace, dye: Dye, minutes: number, fullMinutes: number): number {
  const surface = surfaceOfBand('', band, 0)
  const lifts = dye.kind === 'permanentColour' && isVirgin(band)
  const lifted = lifts ? colourLift(dye.vol) * ((1 - Math.exp(-minutes / COLOUR_LIFT_MINUTES)) / (1 - Math.exp(-fullMinutes / COLOUR_LIFT_MINUTES))) : 0
  const opened = lifts ? { ...surface, level: Math.min(LIGHTEST_LEVEL, surface.level + Math.min(lifted, colourLift(dye.vol))), state: 'lightened' as const } : surface
  return depositOn(opened, depositAfter(dye, minutes / fullMinutes)).level
}

/** Whether a kind of product changes the level by lifting, by leaving colour, or not at all. */
export const worksBy = (kind: ProductKind): 'lift' | 'colour' | 'care' => (isLightener(kind) ? 'lift' : kind === 'permanentColour' || kind === 'demiColour' || kind === 'gloss' || kind === 'directDye' || kind === 'filler' ? 'colour' : 'care')
