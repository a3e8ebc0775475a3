import { LogWishDto } from '@/dto'
import { checkedEntry, signedIn, tableFile } from '@/server/http'
import { csvOfLog } from '@/server/visits'

/** The log as a table. */
export const GET = signedIn(async (member, request) => {
  const wish = checkedEntry(LogWishDto, Object.fromEntries(new URL(request.url).searchParams))
  return tableFile(await csvOfLog(member, wish), 'visits.csv')
})
