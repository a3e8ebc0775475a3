import { changeClient, readClient, setClientRemoved } from '@/server/clients'
import { ClientChangeDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

type Parameters = { id: string }

export const GET = signedIn<Parameters>(async (member, _request, { id }) => readClient(member, id))
export const PUT = signedIn<Parameters>(async (member, request, { id }) =>
  changeClient(member, id, await readEntry(request, ClientChangeDto)),
)
export const DELETE = signedIn<Parameters>(async (member, _request, { id }) => setClientRemoved(member, id, 'removed'))
