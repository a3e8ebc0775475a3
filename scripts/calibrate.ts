import { LIFT_FACTS, predicted, residual, TOLERANCE } from '../tests/support/liftFacts'

/** How the lift that the core predicts stands to every fact that is known of it, all with one set of constants. */
for (const one of LIFT_FACTS) {
  const off = residual(one)
  const verdict = Math.abs(off) <= TOLERANCE ? 'hit' : 'MISS'
  console.log(
    `${verdict}  ${predicted(one).toFixed(2)} (${one.from}–${one.to}) off ${off.toFixed(2)}  ${one.asked.minutes} min  ${one.name}`,
  )
}
const squares = LIFT_FACTS.reduce((sum, one) => sum + residual(one) ** 2, 0)
console.log(
  `root mean square ${Math.sqrt(squares / LIFT_FACTS.length).toFixed(3)} levels over ${LIFT_FACTS.length} facts`,
)
