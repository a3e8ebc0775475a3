import { signedIn } from '@/server/http'
import { catchUp, visitsBehind } from '@/server/visits'

/** Sums up some of the visits that nobody has looked at yet, and says how many are left. */
export const POST = signedIn(async (member) => {
  await catchUp(member)
  return { left: await visitsBehind(member) }
})
