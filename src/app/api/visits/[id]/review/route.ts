import { ReviewDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { saveReview } from '@/server/visits'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  saveReview(member, id, await readEntry(request, ReviewDto)),
)
