import { AcknowledgementDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { acknowledgeCaution } from '@/server/cautions'

export const POST = signedIn<{ id: string }>(async (member, request, { id }) =>
  acknowledgeCaution(member, id, await readEntry(request, AcknowledgementDto)),
)
