import { signedIn } from '@/server/http'
import { setProductRemoved } from '@/server/shelf'

export const POST = signedIn<{ id: string }>(async (member, _request, { id }) =>
  setProductRemoved(member, id, 'present'),
)
