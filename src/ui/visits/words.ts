import type { FactorName } from '@/core/record/learning'
import type { MessageKind } from '@/core/record/upkeep'

/** What a factor is of: its name, and what a factor above and below 1 says. */
export const FACTOR_WORDS: Record<FactorName, { name: string; help: string }> = {
  load: {
    name: 'Product on the hair',
    help: 'What hair took up, against what was computed. Needs what was left over.',
  },
  pace: { name: 'Time of hands', help: 'Minutes of your own applications, against the usual ones.' },
  lift: { name: 'Lift', help: 'Levels that hair rose, as you read them, against what was expected.' },
  mixed: { name: 'Mixed', help: 'What you weighed, against what was planned.' },
}

export const MESSAGE_NAMES: Record<MessageKind, string> = {
  due: 'Due',
  overdue: 'Overdue',
  gloss: 'A gloss',
  allergyTest: 'Allergy test before',
}
