import { readIn } from '@/core/units'
import { pdfOfVisit } from '@/server/documents'
import { signedIn } from '@/server/http'
import { openVisit } from '@/server/visits'

/** A visit on paper. */
export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => {
  const visit = await openVisit(member, id)
  return new Response(await pdfOfVisit(visit, (text) => readIn(member.units, text)), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="visit-${visit.on}.pdf"`,
    },
  })
})
