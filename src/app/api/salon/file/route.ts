import { signedIn } from '@/server/http'
import { fileOfSalon } from '@/server/moving'

/** Everything of the salon as one file, to be moved elsewhere. */
export const GET = signedIn(async (member) => {
  const { name, body } = await fileOfSalon(member)
  return new Response(body, {
    headers: { 'content-type': 'application/gzip', 'content-disposition': `attachment; filename="${name}"` },
  })
})
