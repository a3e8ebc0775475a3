import { PourEventsDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { logPours } from '@/server/mixes'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  logPours(member, id, await readEntry(request, PourEventsDto)),
)
