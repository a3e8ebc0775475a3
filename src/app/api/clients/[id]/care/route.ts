import { openCare } from '@/server/care'
import { signedIn } from '@/server/http'

export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => openCare(member, id))
