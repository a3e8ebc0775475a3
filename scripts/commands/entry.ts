import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import type { FaltoPlan } from '@/core/model'
import { TooManyPiecesError } from '@/core/placement/foils'
import { checkPlanDocument, describeProblems } from '@/dto'

/** Thrown for an entry that cannot be used; the message says in one line what would be. */
export class EntryError extends Error {
  override name = 'EntryError'
}

/** What a file (`-`: standard input) holds as JSON. @throws EntryError */
export function jsonIn(file: string): unknown {
  const name = file === '-' ? 'standard input' : file
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    throw new EntryError(`${name} cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`)
  }
  try {
    return JSON.parse(text)
  } catch {
    throw new EntryError(`${name} is not valid JSON`)
  }
}

/** The plan document that a file holds. @param todo what was to be done with it @throws EntryError */
export function planIn(file: string, todo: string): FaltoPlan {
  const checked = checkPlanDocument(jsonIn(file))
  if (!checked.ok) throw new EntryError(`not a plan that can be ${todo}: ${describeProblems(checked.problems)}`)
  return checked.value
}

/** Work on a plan. @throws EntryError where it has more pieces than can be worked out */
export function withinReach<T>(work: () => T): T {
  try {
    return work()
  } catch (error) {
    throw error instanceof TooManyPiecesError ? new EntryError(error.message) : error
  }
}

/** Reads flags and what stands between them. @throws EntryError for a flag that is not there or lacks its value */
export function flagsIn<Flag extends string>(
  args: readonly string[],
  flags: readonly Flag[],
): { values: { [flag in Flag]?: string }; positionals: string[] } {
  const options = Object.fromEntries(flags.map((flag) => [flag, { type: 'string' as const }]))
  try {
    const { values, positionals } = parseArgs({ args: [...args], options, allowPositionals: true })
    return { values: values as { [flag in Flag]?: string }, positionals }
  } catch (error) {
    throw new EntryError((error as Error).message)
  }
}

/** The only thing that stands between the flags. @throws EntryError with the words where it is none, or several */
export function oneOf([only, ...more]: readonly string[], words: string): string {
  if (!only || more.length > 0) throw new EntryError(words)
  return only
}
