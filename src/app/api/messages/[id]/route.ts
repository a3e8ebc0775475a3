import { MessageStateDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { dropMessage, setMessageSent } from '@/server/visits'

type Parameters = { id: string }

export const PATCH = signedIn<Parameters>(async (member, request, { id }) =>
  setMessageSent(member, id, (await readEntry(request, MessageStateDto)).sent),
)

export const DELETE = signedIn<Parameters>((member, _request, { id }) => dropMessage(member, id))
