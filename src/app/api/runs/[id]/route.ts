import { signedIn } from '@/server/http'
import { openRun } from '@/server/runs'

export const GET = signedIn<{ id: string }>(async (member, _request, { id }) => openRun(member, id))
