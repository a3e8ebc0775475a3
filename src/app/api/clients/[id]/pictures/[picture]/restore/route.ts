import { signedIn } from '@/server/http'
import { setPictureRemoved } from '@/server/pictures'

export const POST = signedIn<{ id: string; picture: string }>(async (member, _request, { id, picture }) =>
  setPictureRemoved(member, id, picture, 'present'),
)
