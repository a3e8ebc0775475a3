import { NewMixDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { beginMix, mixesOf } from '@/server/mixes'

export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => ({ mixes: await mixesOf(member, id) }))
export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  beginMix(member, id, await readEntry(request, NewMixDto)),
)
