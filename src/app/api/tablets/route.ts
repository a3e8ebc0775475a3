import { SharedTabletDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { shareTablet } from '@/server/tablets'

/** The device that asks becomes one that the salon shares. */
export const POST = signedIn(async (member, request) =>
  shareTablet(member, request.headers, await readEntry(request, SharedTabletDto)),
)
