/**
 * What a plan costs and what is charged for it. Money in whole smallest units of the salon's currency; masses in g,
 * times in s.
 */
import type { FormulaMix } from '../bowls'
import { MIXING_MINUTES, type Range } from '../../placement/quantity'
import type { Product, Rates } from '../../model'
import { minutesFromSeconds } from '../../units'
import { EXTRA_BOWL_G } from './constants'

export { STARTING_RATES } from './constants'

/** What was or will be used. */
export interface Used {
  /** Mix in all, g. */
  grams: number
  /** What that mix costs the salon, in fractions of the smallest unit. */
  productCost: number
  bowls: number
  foils: number
  /** Hands-on time, s. */
  seconds: number
}

export interface MoneyLine {
  label: string
  minor: number
}

/** A bill or a quote: lines, which add up to net; tax on top. */
export interface Bill {
  lines: MoneyLine[]
  net: number
  tax: number
  gross: number
  /** What it costs the salon, and what is left of net. */
  costs: MoneyLine[]
  cost: number
  margin: number
}

/** Price of one gram of a product in fractions of the smallest unit; 0 where no price is known. */
export const gramPrice = (product: Pick<Product, 'pack'> | undefined): number =>
  product?.pack ? product.pack.priceMinor / product.pack.grams : 0

/** What one gram of a formula's mix costs. */
export const mixGramPrice = ({ recipe }: Pick<FormulaMix, 'recipe'>, products: readonly Product[]): number =>
  recipe.parts.reduce(
    (sum, { productId, share }) => sum + share * gramPrice(products.find(({ id }) => id === productId)),
    0,
  )

/**
 * A bill: time, foils, product over the allowance at cost times the salon's factor, and a charge for every further bowl
 * begun. Every line is rounded once, so the lines add up to the total to the unit.
 */
export function billFor({ grams, productCost, bowls, foils, seconds }: Used, rates: Rates): Bill {
  const hours = minutesFromSeconds(seconds) / 60
  const over = Math.max(0, grams - rates.allowanceG)
  const extraBowls = Math.min(bowls, Math.ceil(over / EXTRA_BOWL_G))
  const lines = [
    { label: 'Time', minor: Math.round(hours * rates.hourMinor) },
    { label: 'Foils', minor: Math.round(foils * rates.foilMinor) },
    {
      label: `Product over ${rates.allowanceG} g`,
      minor: grams > 0 ? Math.round((over / grams) * productCost * rates.productFactor) : 0,
    },
    { label: 'Further bowls', minor: extraBowls * rates.extraBowlMinor },
  ]
  const costs = [
    { label: 'Product', minor: Math.round(productCost) },
    { label: 'Time', minor: Math.round((hours + (bowls * MIXING_MINUTES) / 60) * rates.hourCostMinor) },
  ]
  const net = sum(lines)
  const tax = Math.round((net * rates.taxPercent) / 100)
  const cost = sum(costs)
  return { lines, net, tax, gross: net + tax, costs, cost, margin: net - cost }
}

const sum = (lines: readonly MoneyLine[]): number => lines.reduce((total, { minor }) => total + minor, 0)

/** A quote before the work: what it comes to if everything stays low, as expected, or high. */
export interface Quote {
  low: Bill
  expected: Bill
  high: Bill
}

/** @param mixes of the plan @param seconds hands-on range, s */
export function quoteFor(
  mixes: readonly FormulaMix[],
  products: readonly Product[],
  foils: number,
  seconds: Range,
  rates: Rates,
): Quote {
  const at = (key: keyof Range): Bill =>
    billFor(
      {
        grams: mixes.reduce((total, { grams }) => total + grams[key], 0),
        productCost: mixes.reduce((total, mix) => total + mix.grams[key] * mixGramPrice(mix, products), 0),
        bowls: mixes.reduce((total, { bowls }) => total + bowls.length, 0),
        foils,
        seconds: seconds[key],
      },
      rates,
    )
  return { low: at('low'), expected: at('expected'), high: at('high') }
}
