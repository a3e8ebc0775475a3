import { auth } from '@/server/auth'
import { answered, readBytes } from '@/server/http'

/** Larger than anything that is asked for on signing in or out, bytes. */
const LARGEST = 20_000

const handle = answered(async (request) => {
  if (request.method === 'GET') return auth().handler(request)
  const body = await readBytes(request, LARGEST)
  return auth().handler(
    new Request(request.url, { method: request.method, headers: request.headers, body: body.toString('utf8') }),
  )
})
export { handle as GET, handle as POST }
