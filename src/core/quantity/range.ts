import { P90 } from './constants'

/** A prediction: expected value with its 10th and 90th percentile. */
export interface Range {
  low: number
  expected: number
  high: number
}

/**
 * Spread of a product of independent log-normal factors: σ² = Σ ln(1 + cv²).
 * @param variations coefficients of variation
 */
export const combinedSigma = (variations: readonly number[]): number =>
  Math.sqrt(variations.reduce((sum, cv) => sum + Math.log(1 + cv * cv), 0))

/**
 * Range of `uncertain · factor + certain` where the factor is log-normal with median 1. The factor is one for the whole
 * head (a dense head is dense everywhere), so sums over zones keep their relative spread.
 */
export function rangeOf(uncertain: number, certain: number, sigma: number): Range {
  return {
    low: uncertain * Math.exp(-P90 * sigma) + certain,
    expected: uncertain + certain,
    high: uncertain * Math.exp(P90 * sigma) + certain,
  }
}
