import { signedIn } from '@/server/http'
import { endOtherSessions, sessionsOf } from '@/server/team'

export const GET = signedIn(async (_member, request) => ({ sessions: await sessionsOf(request.headers) }))
export const DELETE = signedIn(async (_member, request) => endOtherSessions(request.headers))
