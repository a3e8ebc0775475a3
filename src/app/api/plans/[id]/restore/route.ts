import { signedIn } from '@/server/http'
import { setPlanRemoved } from '@/server/plans'

export const POST = signedIn<{ id: string }>(async (member, _request, { id }) => setPlanRemoved(member, id, 'present'))
