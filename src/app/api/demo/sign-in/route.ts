import { auth, demoIsOpen } from '@/server/auth'
import { DEMO_STAFF } from '@/demo'
import { DemoSignInDto } from '@/dto'
import { AppError } from '@/server/errors'
import { answered, readEntry } from '@/server/http'

/** One-tap sign-in as one of the demo staff. */
export const POST = answered(async (request) => {
  const password = process.env['FALTO_DEMO_PASSWORD']
  if (!password || !(await demoIsOpen(request.headers)))
    throw new AppError(404, 'not-found', 'There is no demo to come into here. Sign in with your e-mail and password.')
  const { staff } = await readEntry(request, DemoSignInDto)
  const member = DEMO_STAFF.find(({ key }) => key === staff)
  if (!member) throw new AppError(422, 'invalid', 'There is no such demo user.')
  return auth().api.signInEmail({ body: { email: member.email, password }, headers: request.headers, asResponse: true })
})
