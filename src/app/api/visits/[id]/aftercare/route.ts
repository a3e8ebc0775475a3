import { signedIn } from '@/server/http'
import { afterCareOf } from '@/server/visits'

/** What a client takes home. */
export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => {
  const { body, on } = await afterCareOf(member, id)
  return new Response(body, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="after-care-${on}.pdf"`,
    },
  })
})
