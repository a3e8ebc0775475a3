import { MessageTemplateDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { saveTemplate } from '@/server/visits'

export const PUT = signedIn(async (member, request) =>
  saveTemplate(member, await readEntry(request, MessageTemplateDto)),
)
