import { may } from '@/server/auth'
import { dueIn, FEW_BEHIND, outboxOf, visitsBehind } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { CatchUp, DuePage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'

export const metadata = { title: 'Due · Falto' }

export default async function Due() {
  const member = await memberFor('/log/due')
  const behind = await visitsBehind(member)
  if (behind > FEW_BEHIND)
    return (
      <Shell member={member}>
        <CatchUp here="/log/due" behind={behind} />
      </Shell>
    )
  const { today, due } = await dueIn(member)
  const { salon, templates } = await outboxOf(member)
  return (
    <Shell member={member}>
      <DuePage today={today} due={due} words={{ salon, templates }} mayWrite={may(member, 'write')} />
    </Shell>
  )
}
