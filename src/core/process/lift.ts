import { percentFromVolume } from '../units'

/** Model constants. Rate and exponents: our estimate, set on level 3 hair reaching orange after half an hour and palest yellow
 * after about 75 min with cream lightener 1:1 and 20 vol on the scalp (common practice). */
const RATE_LEVELS_PER_MIN = 0.12
const REFERENCE_PEROXIDE = 4 // % in the mix
const REFERENCE_SHARE = 1 / 3 // lightener in the mix
const STRENGTH_EXPONENT = 0.5
const SHARE_EXPONENT = 0.5
const Q10 = 2
const REFERENCE_CELSIUS = 33
const HEADROOM_EXPONENT = 4

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

/** Initial rate of lift, levels per minute. */
export function liftRate(conditions: LiftConditions): number {
  const share = 1 / (1 + conditions.ratio)
  const peroxide = percentFromVolume(conditions.developerVol) * (1 - share)
  return (
    RATE_LEVELS_PER_MIN *
    (peroxide / REFERENCE_PEROXIDE) ** STRENGTH_EXPONENT *
    (share / REFERENCE_SHARE) ** SHARE_EXPONENT *
    Q10 ** ((conditions.celsius - REFERENCE_CELSIUS) / 10) *
    conditions.moist *
    conditions.fresh *
    conditions.rate
  )
}

/**
 * Levels lifted after a time under constant conditions: dL/dt = rate · (1 − (L/maximum)⁴), by Runge–Kutta steps of at most
 * a minute. @returns levels
 */
export function liftAfter(minutes: number, conditions: LiftConditions): number {
  const rate = liftRate(conditions)
  const slope = (lift: number) => rate * (1 - (lift / conditions.maximumLift) ** HEADROOM_EXPONENT)
  const steps = Math.max(1, Math.ceil(minutes))
  const h = minutes / steps
  let lift = 0
  for (let i = 0; i < steps; i++) {
    const k1 = slope(lift)
    const k2 = slope(lift + (h / 2) * k1)
    const k3 = slope(lift + (h / 2) * k2)
    const k4 = slope(lift + h * k3)
    lift += (h / 6) * (k1 + 2 * k2 + 2 * k3 + k4)
  }
  return lift
}
