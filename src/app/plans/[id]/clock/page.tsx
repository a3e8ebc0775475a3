import { may } from '@/server/auth'
import { openClock } from '@/server/workspace'
import { ClockPage } from '@/ui/clock'
import { Shell } from '@/ui/shell'
import { memberFor, readFor } from '../../../signedInPage'

export const metadata = { title: 'Clock · Falto' }

export default async function PlanClockPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/plans/${id}/clock`)
  const clock = await readFor(openClock(member, id))
  return (
    <Shell member={member}>
      <ClockPage
        key={id}
        {...clock}
        permissions={{ write: may(member, 'write'), acknowledge: may(member, 'acknowledge') }}
      />
    </Shell>
  )
}
