import { readFileSync } from 'node:fs'

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
