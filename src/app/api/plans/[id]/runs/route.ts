import { NewRunDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { beginRun, runsOf } from '@/server/runs'

export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => ({ runs: await runsOf(member, id) }))
export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  beginRun(member, id, await readEntry(request, NewRunDto)),
)
