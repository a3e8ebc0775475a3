import { RunHairDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { recordHair } from '@/server/runs'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  recordHair(member, id, await readEntry(request, RunHairDto)),
)
