import { setClientRemoved } from '@/server/clients'
import { signedIn } from '@/server/http'

export const POST = signedIn<{ id: string }>(async (member, _request, { id }) =>
  setClientRemoved(member, id, 'present'),
)
