import { TeamMemberDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { changeMember } from '@/server/team'

export const PUT = signedIn<{ id: string }>(async (member, request, { id }) =>
  changeMember(member, id, await readEntry(request, TeamMemberDto)),
)
