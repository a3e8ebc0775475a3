import { LeftInBowlDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { tellLeft } from '@/server/visits'

export const POST = signedIn<{ id: string; mixId: string }>(async (member, request, { id, mixId }) =>
  tellLeft(member, id, mixId, (await readEntry(request, LeftInBowlDto)).grams),
)
