import { auth, countTry, forgetTries } from '@/server/auth'
import { AppError } from '@/server/errors'
import { answered, readBytes } from '@/server/http'
import { countRefusedSignIn } from '@/server/metrics'

/** Larger than anything that is asked for on signing in or out, bytes. */
const LARGEST = 20_000

/**
 * What may be asked for of all that the library knows: signing in and out, passwords, the second factor. What it would
 * tell of sessions names their tokens; see `/api/account`.
 */
const OFFERED = [
  'sign-in/email',
  'sign-out',
  'change-password',
  'request-password-reset',
  'reset-password',
  'two-factor/enable',
  'two-factor/disable',
  'two-factor/verify-totp',
  'two-factor/verify-backup-code',
  'two-factor/generate-backup-codes',
]

export const POST = answered(async (request) => {
  const asked = new URL(request.url).pathname.replace(/^\/api\/auth\//, '')
  if (!OFFERED.includes(asked)) throw new AppError(404, 'not-found', 'There is nothing at this address.')
  const body = (await readBytes(request, LARGEST)).toString('utf8')
  const email = asked === 'sign-in/email' ? emailIn(body) : undefined
  if (email !== undefined) await countTry('e-mail', email)
  const answer = await auth().handler(
    new Request(request.url, { method: request.method, headers: request.headers, body }),
  )
  if (email !== undefined) {
    if (answer.ok) await forgetTries('e-mail', email)
    else countRefusedSignIn()
  }
  return answer
})

/** The e-mail that somebody signs in with, where the entry has one. */
function emailIn(body: string): string | undefined {
  try {
    const { email } = JSON.parse(body) as { email?: unknown }
    return typeof email === 'string' ? email : undefined
  } catch {
    return undefined
  }
}
