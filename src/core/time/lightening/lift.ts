import { percentFromVolume } from '../../units'
import {
  RATE_LEVELS_PER_MIN,
  REFERENCE_PEROXIDE,
  REFERENCE_SHARE,
  STRENGTH_EXPONENT,
  SHARE_EXPONENT,
  Q10,
  REFERENCE_CELSIUS,
} from './constants'

/** How lightener acts on one piece of hair. */
export interface LiftConditions {
  /** Developer strength, vol, and parts of developer to one of lightener. */
  developerVol: number
  ratio: number
  /** Temperature in the product, °C. */
  celsius: number
  /** Moisture of the product and freshness of the bowl, 0…1 each. */
  moist: number
  fresh: number
  /** Levels a product can lift at all. */
  maximumLift: number
  /** Speed against virgin hair of medium fibre, see {@link historyRate}. */
  rate: number
}

/** Speed against 33 °C: twice for every ten degrees. */
export const warmthFactor = (celsius: number): number => Q10 ** ((celsius - REFERENCE_CELSIUS) / 10)

/** How much slower lightener works when its peroxide is thinned to a share, 0…1. */
export const dilutionFactor = (share: number): number => share ** STRENGTH_EXPONENT

/** Initial rate of lift of a mix at 33 °C, wet and fresh, on virgin medium hair, levels per minute. */
export function mixRate({ developerVol, ratio }: Pick<LiftConditions, 'developerVol' | 'ratio'>): number {
  const share = 1 / (1 + ratio)
  const peroxide = percentFromVolume(developerVol) * (1 - share)
  return (
    RATE_LEVELS_PER_MIN *
    (peroxide / REFERENCE_PEROXIDE) ** STRENGTH_EXPONENT *
    (share / REFERENCE_SHARE) ** SHARE_EXPONENT
  )
}

/** Initial rate of lift, levels per minute. */
export const liftRate = (conditions: LiftConditions): number =>
  mixRate(conditions) * warmthFactor(conditions.celsius) * conditions.moist * conditions.fresh * conditions.rate

/** Levels lifted after a time under constant conditions. @returns levels */
export const liftAfter = (minutes: number, conditions: LiftConditions): number =>
  liftFromExposure(minutes * liftRate(conditions), conditions.maximumLift)

/**
 * Exposure that a lift takes: the levels it would come to if headroom did not matter. From dL/dE = 1 − x⁸, x = L/m: an
 * even pace that slows in the last quarter of the headroom. As 1/(1 − x⁸) is half of 1/(1 − x⁴) and 1/(1 + x⁴),
 * E = m · (¼ (artanh x + arctan x) + ½ F(x)) with F the integral of 1/(1 + x⁴).
 */
export function exposureForLift(lift: number, maximumLift: number): number {
  const x = lift / maximumLift
  return x >= 1 ? Infinity : maximumLift * unbraked(x)
}

const unbraked = (x: number): number => (Math.atanh(x) + Math.atan(x)) / 4 + integralOfFourth(x) / 2

/** ∫ dx / (1 + x⁴) from 0, in closed form. */
const integralOfFourth = (x: number): number =>
  Math.log((x * x + Math.SQRT2 * x + 1) / (x * x - Math.SQRT2 * x + 1)) / (4 * Math.SQRT2) +
  (Math.atan(Math.SQRT2 * x + 1) + Math.atan(Math.SQRT2 * x - 1)) / (2 * Math.SQRT2)

/**
 * Levels lifted by an exposure: the inverse of {@link exposureForLift}, by Newton's method kept inside a shrinking
 * interval.
 */
export function liftFromExposure(exposure: number, maximumLift: number): number {
  if (maximumLift <= 0 || exposure <= 0) return 0
  let low = 0
  let high = 1
  let x = Math.min(0.999, exposure / maximumLift)
  for (let step = 0; step < 60; step++) {
    const error = unbraked(x) - exposure / maximumLift
    if (error > 0) high = x
    else low = x
    const next = x - error * (1 - x ** 8)
    const moved = next > low && next < high ? next : (low + high) / 2
    if (Math.abs(moved - x) < 1e-13) break
    x = moved
  }
  return maximumLift * x
}
