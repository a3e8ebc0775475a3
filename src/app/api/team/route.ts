import { signedIn } from '@/server/http'
import { teamOf } from '@/server/team'

export const GET = signedIn(async (member) => teamOf(member))
