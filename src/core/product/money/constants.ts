import type { Rates } from '../../model'

/**
 * Mix that the standard price of a bowl covers, g: what goes over the allowance is charged by the bowl begun. Common
 * practice.
 */
export const EXTRA_BOWL_G = 60

/** Rates a salon starts with. Our estimate; made to be changed. */
export const STARTING_RATES: Rates = {
  currency: 'EUR',
  taxPercent: 20,
  hourMinor: 6500,
  foilMinor: 20,
  allowanceG: 120,
  productFactor: 2.5,
  extraBowlMinor: 900,
  hourCostMinor: 2600,
}
