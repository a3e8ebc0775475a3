import { RunEventsDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { logEvents } from '@/server/runs'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  logEvents(member, id, await readEntry(request, RunEventsDto)),
)
