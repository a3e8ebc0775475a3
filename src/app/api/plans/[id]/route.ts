import { signedIn } from '@/server/http'
import { openPlan, setPlanRemoved } from '@/server/plans'

type Parameters = { id: string }

export const GET = signedIn<Parameters>(async (member, _request, { id }) => openPlan(member, id))
export const DELETE = signedIn<Parameters>(async (member, _request, { id }) => setPlanRemoved(member, id, 'removed'))
