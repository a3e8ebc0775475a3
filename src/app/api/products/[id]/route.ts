import { signedIn } from '@/server/http'
import { setProductRemoved } from '@/server/shelf'

export const DELETE = signedIn<{ id: string }>(async (member, _request, { id }) =>
  setProductRemoved(member, id, 'removed'),
)
