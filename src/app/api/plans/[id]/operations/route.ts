import { OperationsDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { applyOperations } from '@/server/plans'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  applyOperations(member, id, await readEntry(request, OperationsDto)),
)
