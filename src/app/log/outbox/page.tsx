import { may } from '@/server/auth'
import { outboxOf } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { OutboxPage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'

export const metadata = { title: 'Outbox · Falto' }

export default async function OutboxOfSalon() {
  const member = await memberFor('/log/outbox')
  return (
    <Shell member={member}>
      <OutboxPage outbox={await outboxOf(member)} mayWrite={may(member, 'write')} />
    </Shell>
  )
}
