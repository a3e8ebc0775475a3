import type { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { AppError } from '../errors'

/** A password scores 0…4 by how soon it is guessed; below this it falls to somebody who stole hashes (its manual). */
const ENOUGH = 3
/** So many characters and so many ways of reading signs as letters are looked at: a few ms at most. Our choice. */
const LOOKED_AT = 32
const READINGS = 16

let made: Promise<ZxcvbnFactory> | undefined
/** Read when somebody first chooses a password, as few processes ever see one: its list takes a tenth of a second. */
const guesser = () => (made ??= readGuesser())

async function readGuesser(): Promise<ZxcvbnFactory> {
  const [{ ZxcvbnFactory }, { dictionary, adjacencyGraphs }] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
  ])
  return new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs, l33tMaxSubstitutions: READINGS })
}

const SAYS = 'is one of those that are guessed first; take a few words that nobody would think of here'

/** What refuses an easy password, told at the field that it was entered in. */
export const easyPassword = (path = 'password') => ({
  message: `The password ${SAYS}.`,
  problems: [{ path, message: SAYS }],
})

/**
 * Whether a password is guessed soon: many people have it, it repeats itself, runs along a keyboard, or is made of what
 * is known of her.
 * @param known names, e-mails and the like
 */
export async function isEasyPassword(password: string, known: readonly string[] = []): Promise<boolean> {
  const words = ['falto', ...known.flatMap((one) => [one, ...one.split(/[^\p{L}\p{N}]+/u)])]
    .filter((word) => word.length > 2)
    // As much of them as is looked at.
    .map((word) => word.slice(0, LOOKED_AT))
  const guess = await guesser()
  return guess.check(password.slice(0, LOOKED_AT), words).score < ENOUGH
}

/** @throws AppError 422 for an easy password */
export async function refuseEasyPassword(password: string, known: readonly string[] = []): Promise<void> {
  if (!(await isEasyPassword(password, known))) return
  const { message, problems } = easyPassword()
  throw new AppError(422, 'invalid', message, { problems })
}
