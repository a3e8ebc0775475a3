import { createInterface } from 'node:readline/promises'
import { Writable } from 'node:stream'
import { AppError } from '@/server/errors'

/**
 * The owner's password: asked for twice, unseen; where nobody sits at a terminal it is the first line of the input.
 * @throws AppError 422 where the two differ
 */
export async function askPassword(): Promise<string> {
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() })
  const terminal = process.stdin.isTTY === true
  const lines = createInterface({ input: process.stdin, output: silent, terminal })
  const ask = async (words: string): Promise<string> => {
    if (!terminal) return (await lines[Symbol.asyncIterator]().next()).value ?? ''
    process.stderr.write(words)
    const answer = await lines.question('')
    process.stderr.write('\n')
    return answer
  }
  const password = await ask('Password for the owner: ')
  const again = terminal ? await ask('Once more: ') : password
  lines.close()
  if (password !== again) throw new AppError(422, 'invalid', 'The two passwords differ. Nothing was made.')
  return password
}
