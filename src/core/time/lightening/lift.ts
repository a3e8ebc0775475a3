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
 * Exposure that a lift takes: the levels it would come to if headroom did not matter. From dL/dE = 1 − (L/maximum)⁴:
 * E = m/2 · (artanh x + arctan x), x = L/m.
 */
export function exposureForLift(lift: number, maximumLift: number): number {
  const x = lift / maximumLift
  return x >= 1 ? Infinity : (maximumLift / 2) * (Math.atanh(x) + Math.atan(x))
}

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
    const error = (Math.atanh(x) + Math.atan(x)) / 2 - exposure / maximumLift
    if (error > 0) high = x
    else low = x
    const next = x - error * (1 - x ** 4)
    const moved = next > low && next < high ? next : (low + high) / 2
    if (Math.abs(moved - x) < 1e-13) break
    x = moved
  }
  return maximumLift * x
}
