import { signedIn } from '@/server/http'
import { setPlanRemoved } from '@/server/plans'
import { openWorkspace } from '@/server/workspace'

type Parameters = { id: string }

export const GET = signedIn<Parameters>(async (member, _request, { id }) => openWorkspace(member, id))
export const DELETE = signedIn<Parameters>(async (member, _request, { id }) => setPlanRemoved(member, id, 'removed'))
