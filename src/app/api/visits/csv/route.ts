import { LogWishDto } from '@/dto'
import { checkedEntry, signedIn } from '@/server/http'
import { csvOfLog } from '@/server/visits'

/** The log as a table. */
export const GET = signedIn(async (member, request) => {
  const wish = checkedEntry(LogWishDto, Object.fromEntries(new URL(request.url).searchParams))
  return new Response(await csvOfLog(member, wish), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="visits.csv"',
    },
  })
})
