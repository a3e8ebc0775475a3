import { calendarOfDue } from '@/server/documents'
import { signedIn } from '@/server/http'
import { openVisit } from '@/server/visits'

/** When she is due again, for a calendar. */
export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => {
  const { client, summary, on } = await openVisit(member, id)
  const { next } = summary.upkeep
  return new Response(calendarOfDue({ visitId: id, client: client.name, name: `${summary.name}, ${on}`, next }), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="due-${next.from}.ics"`,
    },
  })
})
