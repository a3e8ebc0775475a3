import { addConsent } from '@/server/care'
import { ConsentDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  addConsent(member, id, await readEntry(request, ConsentDto)),
)
