import { signedIn } from '@/server/http'
import { fileOfClient } from '@/server/person'

/** Everything that is kept of a client. */
export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => {
  const { name, body } = await fileOfClient(member, id)
  return new Response(body, {
    headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename="${name}"` },
  })
})
