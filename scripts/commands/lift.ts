import { answerLift, type LiftQuestion } from '@/core/time/lightening'
import { roundToHundredth, roundToTenth } from '@/core/units'
import { checkEntry, describeProblems, LiftQuestionDto } from '@/dto'
import { EntryError, flagsIn, jsonIn, oneOf } from './entry'

/** `./falto lift FILE|-`: one strand under one mix in, its level minute by minute out. @throws EntryError */
export function lift(args: readonly string[]) {
  const { positionals } = flagsIn(args, [])
  const file = oneOf(
    positionals,
    'say which question to answer: ./falto lift FILE, or - to read it from standard input',
  )
  const checked = checkEntry(LiftQuestionDto, jsonIn(file))
  if (!checked.ok) throw new EntryError(`not a question of lift: ${describeProblems(checked.problems)}`)
  return roundedAnswer(checked.value)
}

function roundedAnswer(question: LiftQuestion) {
  const { byMinute, end, strain, pastLabelMinutes } = answerLift(question)
  const rounded = ({ low, expected, high }: typeof end) => ({
    low: roundToHundredth(low),
    expected: roundToHundredth(expected),
    high: roundToHundredth(high),
  })
  return {
    byMinute: byMinute.map(({ minute, ...level }) => ({ minute, ...rounded(level) })),
    end: rounded(end),
    strainPercent: Math.round(100 * strain),
    pastLabelMinutes: roundToTenth(pastLabelMinutes),
  }
}
