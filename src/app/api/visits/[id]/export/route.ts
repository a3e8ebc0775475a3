import { signedIn } from '@/server/http'
import { openVisit } from '@/server/visits'

/** A visit as a file. */
export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => {
  const visit = await openVisit(member, id)
  return new Response(JSON.stringify({ format: 'falto-visit', schemaVersion: 1, ...visit }, null, 2), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="visit-${visit.on}.json"`,
    },
  })
})
