import { JoinDto } from '@/dto'
import { answered, readEntry } from '@/server/http'
import { invitationOf, join } from '@/server/team'

/** What an invitation says to who has its link. */
export const GET = answered(async (request) => invitationOf(new URL(request.url).searchParams.get('token') ?? ''))
export const POST = answered(async (request) => join(await readEntry(request, JoinDto)))
