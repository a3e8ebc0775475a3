import { NewPlanDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { createPlan } from '@/server/workspace'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  createPlan(member, id, await readEntry(request, NewPlanDto)),
)
