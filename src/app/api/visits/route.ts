import { LogWishDto } from '@/dto'
import { checkedEntry, signedIn } from '@/server/http'
import { listVisits } from '@/server/visits'

/** A further page of the log. */
export const GET = signedIn((member, request) =>
  listVisits(member, checkedEntry(LogWishDto, Object.fromEntries(new URL(request.url).searchParams))),
)
