import { setTimeout as rest } from 'node:timers/promises'
import type { Answer, Device } from '../support/server'

/** One that waits longer has lost its server, ms. */
const PATIENCE = 20_000

/** Requests that got no answer so far, or one that says that the server could not. */
export const lost = { unanswered: 0 }

/**
 * Asks until there is an answer of the server's own. Nothing that is asked so harms when it is asked twice.
 * @param bears whether an answer of the server's failure is borne: its database may be gone
 */
export async function untilAnswered(
  device: Device,
  method: string,
  path: string,
  body?: unknown,
  bears: 'failures' | 'none' = 'none',
): Promise<Answer> {
  for (;;) {
    const answer = await Promise.race([
      device.call(method, path, body).catch(() => undefined),
      rest(PATIENCE).then(() => undefined),
    ])
    if (answer && answer.status < 500) return answer
    if (answer && bears === 'none')
      throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`)
    lost.unanswered++
    await rest(50)
  }
}
