import { computing } from '@/server/computing'
import { AppError } from '@/server/errors'
import { signedIn } from '@/server/http'
import { bookingOf } from '@/server/bookings'
import { findClient } from '@/server/clients'
import { findPlan } from '@/server/plans'

const TIME = /^([01]\d|2[0-3]):[0-5]\d$/

/** The appointment and the next visit as a calendar file. `?at=HH:MM` is when it begins. */
export const GET = signedIn<{ id: string }>(async (member, request, { id }) => {
  const at = new URL(request.url).searchParams.get('at') ?? ''
  if (!TIME.test(at)) throw new AppError(422, 'invalid', 'Say when the visit begins, as in 10:00.')
  const { document, clientId } = await findPlan(member, id)
  const on = (await bookingOf(member, id))?.on
  if (!on) throw new AppError(422, 'invalid', 'This plan is not booked for a day yet. Book it on the Mix page first.')
  const { name } = await findClient(member, clientId)
  const body = await computing.calendar({ planId: id, plan: document, client: name, on, at })
  return new Response(body, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="visit-${on}.ics"`,
    },
  })
})
