import type { VisitFile } from '@/core/record/visit'
import { signedIn } from '@/server/http'
import { openVisit } from '@/server/visits'

/** A visit as a file; docs/schema says what is in it. */
export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => {
  const visit = await openVisit(member, id)
  const file: VisitFile = { format: 'falto-visit', schemaVersion: 1, ...visit }
  return new Response(JSON.stringify(file, null, 2), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="visit-${visit.on}.json"`,
    },
  })
})
