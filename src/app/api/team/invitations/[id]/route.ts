import { signedIn } from '@/server/http'
import { closeInvitation } from '@/server/team'

export const DELETE = signedIn<{ id: string }>(async (member, _request, { id }) => closeInvitation(member, id))
