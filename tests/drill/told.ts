import { setTimeout as rest } from 'node:timers/promises'
import { deviceOf, type Answer, type Device } from '../support/server'

/** One that waits longer has lost its server, ms. */
const PATIENCE = 20_000
/** Times one signs in for one request: a clock may go back right after it. */
const SIGNS_IN = 5

/** Requests that got no answer so far, or one that says that the server could not; and sessions that ended. */
export const lost = { unanswered: 0, sessions: 0 }

/** A device whose holder signs in again when her session has ended, as it does where a clock goes wrong. */
export async function lastingDevice(staff: string): Promise<Device> {
  let device = await deviceOf(staff)
  return {
    get cookie() {
      return device.cookie
    },
    async call(method, path, body) {
      let answer: Answer
      for (let tries = 0; tries < SIGNS_IN; tries++) {
        const used = device
        answer = await used.call(method, path, body)
        if (answer.status !== 401) return answer
        if (used !== device) continue
        lost.sessions++
        device = await deviceOf(staff)
      }
      return answer!
    },
  }
}

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
