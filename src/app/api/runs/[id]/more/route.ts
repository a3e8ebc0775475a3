import { MoreDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { addToRun } from '@/server/runs'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  addToRun(member, id, await readEntry(request, MoreDto)),
)
