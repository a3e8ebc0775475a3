import { openConsultation, saveConsultation } from '@/server/consultations'
import { ConsultationDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

type Parameters = { id: string }

export const GET = signedIn<Parameters>(async (member, _request, { id }) => openConsultation(member, id))
export const PUT = signedIn<Parameters>(async (member, request, { id }) =>
  saveConsultation(member, id, await readEntry(request, ConsultationDto)),
)
