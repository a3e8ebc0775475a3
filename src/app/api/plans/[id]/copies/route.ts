import { signedIn } from '@/server/http'
import { duplicatePlan } from '@/server/plans'

export const POST = signedIn<{ id: string }>(async (member, _request, { id }) => duplicatePlan(member, id))
