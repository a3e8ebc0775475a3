import { addCareCheck } from '@/server/care'
import { CareCheckDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  addCareCheck(member, id, await readEntry(request, CareCheckDto)),
)
