import { signedIn } from '@/server/http'
import { setLayoutRemoved } from '@/server/layouts'

export const DELETE = signedIn<{ id: string }>(async (member, _request, { id }) =>
  setLayoutRemoved(member, id, 'removed'),
)
