import { COUNTS } from '../../model'

/** What one writes to a client about. */
export const MESSAGE_KINDS = ['due', 'overdue', 'gloss', 'allergyTest'] as const
export type MessageKind = (typeof MESSAGE_KINDS)[number]

/** What a template can name in braces, and what stands in its place. */
export const MESSAGE_WORDS = ['name', 'salon', 'last', 'from', 'to'] as const
export type MessageWord = (typeof MESSAGE_WORDS)[number]

/** Longest text of a message. */
export const MESSAGE_LETTERS = COUNTS.noteLength

/** Texts a salon begins with. Our own wording. */
export const STARTING_TEMPLATES: Record<MessageKind, string> = {
  due: 'Dear {name}, your colour of {last} is due again between {from} and {to}. Shall we find a time? {salon}',
  overdue: 'Dear {name}, it has been a while since {last}. Would you like to come in? {salon}',
  gloss: 'Dear {name}, a gloss between {from} and {to} would bring the tone of {last} back. {salon}',
  allergyTest:
    'Dear {name}, before your next colour we make an allergy test, as the product asks for. Please come by some days before {from}. {salon}',
}

/** Words in braces that a template names and that there are not. */
export const unknownWords = (template: string): string[] =>
  [...template.matchAll(/\{([^{}]*)\}/g)]
    .map(([, word]) => word!)
    .filter((word) => !MESSAGE_WORDS.some((known) => known === word))

/** A template with its words put in. Words that are not known stay as they stand. */
export const messageFrom = (template: string, words: Record<MessageWord, string>): string =>
  template.replaceAll(/\{([^{}]*)\}/g, (whole, word: string) =>
    Object.hasOwn(words, word) ? words[word as MessageWord] : whole,
  )
