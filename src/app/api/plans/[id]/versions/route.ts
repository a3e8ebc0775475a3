import { LabelDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { keepVersion } from '@/server/plans'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  keepVersion(member, id, (await readEntry(request, LabelDto)).label),
)
