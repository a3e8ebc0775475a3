import { combinedSigma, rangeOf, SECONDS_VARIATION, type Range } from '../../placement/quantity'
import { RATE_VARIATION } from '../lightening'
import type { VisitTask } from './draft'

const HANDS_SIGMA = combinedSigma([SECONDS_VARIATION])
const LIFT_SIGMA = combinedSigma([RATE_VARIATION])

/**
 * How long a visit takes, as a range: hands work faster or slower, and so does lightener while they wait for it; colour
 * has its label's time. The two have nothing to do with each other, so their spreads add as squares do.
 */
export function finishRange(expected: number, { hands, lift }: { hands: number; lift: number }): Range {
  const spreads = [rangeOf(hands, 0, HANDS_SIGMA), rangeOf(lift, 0, LIFT_SIGMA)]
  const off = (side: 'low' | 'high') => Math.hypot(...spreads.map((one) => one[side] - one.expected))
  return { low: expected - off('low'), expected, high: expected + off('high') }
}

/** Time in which nobody works while lightener does, s. */
export function liftingSeconds(
  lighteners: ReadonlySet<string>,
  tasks: readonly VisitTask[],
  starts: Float64Array,
): number {
  const turns = new Set(
    tasks.flatMap(({ turn, pieces = [] }) =>
      pieces.some(({ piece }) => lighteners.has(piece.formulaId)) ? [turn] : [],
    ),
  )
  return [...turns].reduce((sum, turn) => {
    const own = [...tasks.keys()].filter((i) => tasks[i]!.turn === turn)
    const from = Math.min(...own.map((i) => starts[i]!))
    const to = Math.max(...own.map((i) => starts[i]! + tasks[i]!.seconds))
    return (
      sum +
      to -
      from -
      busySeconds(
        own.map((i) => tasks[i]!),
        Float64Array.from(own, (i) => starts[i]!),
      )
    )
  }, 0)
}

/** Time in which at least one task goes on, s. */
export function busySeconds(tasks: readonly VisitTask[], starts: Float64Array): number {
  let [busy, until] = [0, 0]
  for (const i of [...starts.keys()].sort((a, b) => starts[a]! - starts[b]!)) {
    const end = starts[i]! + tasks[i]!.seconds
    busy += Math.max(0, end - Math.max(until, starts[i]!))
    until = Math.max(until, end)
  }
  return busy
}
