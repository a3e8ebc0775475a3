import { InvitationDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { invite } from '@/server/team'

export const POST = signedIn(async (member, request) => invite(member, await readEntry(request, InvitationDto)))
