import { auth } from '@/server/auth'
import { DEMO_STAFF } from '@/server/demo'
import { DemoSignInDto } from '@/server/dto'
import { AppError } from '@/server/errors'
import { answered, readEntry } from '@/server/http'

/** One-tap sign-in as one of the demo staff; only where the demo is switched on. */
export const POST = answered(async (request) => {
  const password = process.env['FALTO_DEMO_PASSWORD']
  if (!password) throw new AppError(404, 'not-found', 'The demo is switched off here.')
  const { staff } = await readEntry(request, DemoSignInDto)
  const member = DEMO_STAFF.find(({ key }) => key === staff)
  if (!member) throw new AppError(422, 'invalid', 'There is no such demo user.')
  return auth().api.signInEmail({ body: { email: member.email, password }, headers: request.headers, asResponse: true })
})
