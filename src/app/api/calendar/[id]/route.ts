import { feedBy } from '@/server/bookings'
import { answered } from '@/server/http'

/** Somebody's bookings, for a calendar that follows them: the word in the address is all that it has. */
export const GET = answered(async (_request, { params }) => {
  const { id } = (await params) as { id: string }
  return new Response(await feedBy(id), {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'content-disposition': 'inline; filename="falto.ics"' },
  })
})
