import { readFileSync } from 'node:fs'

/** One line on stderr and exit code 2, for an entry that cannot be used. */
export function refuse(command: string, message: string): void {
  process.stderr.write(`falto ${command}: ${message.replaceAll('\n', ' ')}\n`)
  process.exitCode = 2
}

/** What a file (`-`: standard input) holds as JSON; undefined once it has been refused. */
export function jsonIn(command: string, file: string): { value: unknown } | undefined {
  const name = file === '-' ? 'standard input' : file
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    refuse(command, `${name} cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`)
    return undefined
  }
  try {
    return { value: JSON.parse(text) }
  } catch {
    refuse(command, `${name} is not valid JSON`)
    return undefined
  }
}
