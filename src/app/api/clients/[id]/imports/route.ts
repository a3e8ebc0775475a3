import { readJson, signedIn } from '@/server/http'
import { importPlan } from '@/server/plans'

/** The body is a `falto-plan` document. */
export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  importPlan(member, id, await readJson(request)),
)
