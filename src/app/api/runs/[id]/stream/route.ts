import { staffFrom } from '@/server/auth'
import { signedIn } from '@/server/http'
import { streamRun } from '@/server/runs'

export const dynamic = 'force-dynamic'

/** The log as server-sent events. A reader that comes back says where it got to, in the header or as `?after=`. */
export const GET = signedIn<{ id: string }>(async (member, request, { id }) => {
  const after = Number(request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after') ?? 0)
  return streamRun(
    member,
    id,
    Number.isSafeInteger(after) && after > 0 ? after : 0,
    request.signal,
    async () => (await staffFrom(request.headers)) !== undefined,
  )
})
