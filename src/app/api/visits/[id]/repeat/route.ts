import { signedIn } from '@/server/http'
import { repeatPlan } from '@/server/visits'

export const POST = signedIn<{ id: string }>((member, _request, { id }) => repeatPlan(member, id))
