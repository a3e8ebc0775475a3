import { SCALE_STEP_G } from './constants'

/**
 * Splits an amount into parts so that every part is a whole number of steps and together they are the amount, rounded
 * to a step, exactly: by largest remainder (Hamilton's method), ties by order.
 * @param total g @param parts of any size, not negative; at least one above 0 @returns g, in the order of the parts
 * @throws RangeError when no part is above 0, or one is below
 * @example splitExactly(100, [1, 1, 1]) // [33.4, 33.3, 33.3]
 */
export function splitExactly(total: number, parts: readonly number[], step = SCALE_STEP_G): number[] {
  const sum = parts.reduce((all, part) => all + part, 0)
  if (!(sum > 0) || parts.some((part) => part < 0))
    throw new RangeError('A mix needs at least one part, and none below nothing.')
  // In whole steps, because sums of tenths are not exact.
  const steps = Math.round(total / step)
  const exact = parts.map((part) => (steps * part) / sum)
  const whole = exact.map(Math.floor)
  const left = steps - whole.reduce((all, one) => all + one, 0)
  const byRemainder = exact
    .map((value, i) => ({ i, remainder: value - whole[i]! }))
    .sort((a, b) => b.remainder - a.remainder || a.i - b.i)
  for (const { i } of byRemainder.slice(0, left)) whole[i]!++
  const perUnit = Math.round(1 / step)
  return whole.map((one) => one / perUnit)
}
