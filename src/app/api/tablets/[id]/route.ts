import { signedIn } from '@/server/http'
import { stopSharing } from '@/server/tablets'

export const DELETE = signedIn<{ id: string }>(async (member, _request, { id }) => stopSharing(member, id))
