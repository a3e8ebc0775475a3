import { signedIn } from '@/server/http'
import { endSession } from '@/server/team'

export const DELETE = signedIn<{ id: string }>(async (_member, request, { id }) => endSession(request.headers, id))
