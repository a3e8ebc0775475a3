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
 * Range of `one · factor + rest · other` where the factors are log-normal with median 1 and independent of each other:
 * what either could be off by adds in quadrature, below and above. A factor is one for the whole head (a dense head is
 * dense everywhere), so sums over zones keep their relative spread.
 * @param restSigma left out: the rest is certain
 */
export function rangeOf(one: number, rest: number, sigma: number, restSigma = 0): Range {
  const off = (side: -1 | 1) =>
    Math.hypot(one * Math.expm1(side * P90 * sigma), rest * Math.expm1(side * P90 * restSigma))
  const expected = one + rest
  return { low: expected - off(-1), expected, high: expected + off(1) }
}
