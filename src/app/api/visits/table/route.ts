import { readTableEntry, signedIn } from '@/server/http'
import { importVisits } from '@/server/workspace'

/** A table of visits that were done without Falto, looked through and (with `?commit`) taken in. */
export const POST = signedIn(async (member, request) => {
  const { text, mode } = await readTableEntry(request)
  return importVisits(member, text, mode)
})
