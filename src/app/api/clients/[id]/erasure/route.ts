import { ErasureDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { eraseClient } from '@/server/person'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) => {
  const { name } = await readEntry(request, ErasureDto)
  return eraseClient(member, id, name)
})
