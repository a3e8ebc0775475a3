import { markDone } from '@/server/consultations'
import { DoneDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  markDone(member, id, await readEntry(request, DoneDto)),
)
