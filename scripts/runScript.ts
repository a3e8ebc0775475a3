import { database } from '@/db'
import { AppError } from '@/server/errors'

export const say = (words: string): void => console.log(`falto: ${words}`)

/**
 * Runs a script that works on the database, with its arguments; what a person can mend is told in a line, with exit
 * code 2.
 * @param name before the line
 */
export async function runScript(name: string, main: (args: string[]) => Promise<void>): Promise<void> {
  try {
    await main(process.argv.slice(2))
  } catch (error) {
    const known = error instanceof AppError || (error as NodeJS.ErrnoException).code !== undefined
    if (!known) throw error
    console.error(`${name}: ${(error as Error).message}`)
    process.exitCode = 2
  } finally {
    await database().$client.end()
  }
}
