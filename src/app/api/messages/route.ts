import { MessageDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { outboxOf, writeMessage } from '@/server/visits'

/** What was written to clients, and the words that messages begin with. */
export const GET = signedIn((member) => outboxOf(member))

export const POST = signedIn(async (member, request) => writeMessage(member, await readEntry(request, MessageDto)))
