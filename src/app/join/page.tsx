import { AppError } from '@/server/errors'
import { invitationOf } from '@/server/team'
import { EntryNote, Join } from '@/ui/entry'

export const metadata = { title: 'Join · Falto' }

export default async function JoinPage({ searchParams }: { searchParams: Promise<{ token?: string }> }) {
  const { token = '' } = await searchParams
  const invitation = await invitationOf(token).catch((error: unknown) => {
    if (error instanceof AppError) return undefined
    throw error
  })
  if (invitation) return <Join token={token} invitation={invitation} />
  return (
    <EntryNote title="This invitation is not good any more">
      It was used, taken back, or is older than a week. Ask the salon’s owner for a new one.
    </EntryNote>
  )
}
