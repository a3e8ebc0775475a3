import { dueIn } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { DuePage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'

export const metadata = { title: 'Due · Falto' }

export default async function Due() {
  const member = await memberFor('/log/due')
  const { today, due } = await dueIn(member)
  return (
    <Shell member={member}>
      <DuePage today={today} due={due} />
    </Shell>
  )
}
