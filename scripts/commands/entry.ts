import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'

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
