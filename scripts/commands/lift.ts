import { answerLift, type LiftQuestion } from '@/core/time/lightening'
import { roundToTenth } from '@/core/units'
import { checkEntry, describeProblems, LiftQuestionDto } from '@/dto'
import { EntryError, flagsIn, jsonIn } from './entry'

/** `./falto lift FILE|-`: one strand under one mix in, its level minute by minute out. @throws EntryError */
export function lift(args: readonly string[]) {
  const { positionals } = flagsIn(args, [])
  const [file, ...more] = positionals
  if (!file || more.length > 0)
    throw new EntryError('say which question to answer: ./falto lift FILE, or - to read it from standard input')
  const checked = checkEntry(LiftQuestionDto, jsonIn(file))
  if (!checked.ok) throw new EntryError(`not a question of lift: ${describeProblems(checked.problems)}`)
  return roundedAnswer(checked.value)
}

function roundedAnswer(question: LiftQuestion) {
  const { byMinute, end, strain, pastLabelMinutes } = answerLift(question)
  const hundredth = (level: number) => Math.round(100 * level) / 100
  const rounded = ({ low, expected, high }: typeof end) => ({
    low: hundredth(low),
    expected: hundredth(expected),
    high: hundredth(high),
  })
  return {
    byMinute: byMinute.map(({ minute, ...level }) => ({ minute, ...rounded(level) })),
    end: rounded(end),
    strainPercent: Math.round(100 * strain),
    pastLabelMinutes: roundToTenth(pastLabelMinutes),
  }
}
