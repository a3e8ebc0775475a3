import { may } from '@/server/auth'
import { dueIn, messageWords } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { DuePage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'
import { catchUpFor } from '../catchUpFor'

export const metadata = { title: 'Due · Falto' }

export default async function Due() {
  const member = await memberFor('/log/due')
  const catchingUp = await catchUpFor(member, '/log/due')
  if (catchingUp) return catchingUp
  const { today, due } = await dueIn(member)
  const words = await messageWords(member)
  return (
    <Shell member={member}>
      <DuePage today={today} due={due} words={words} mayWrite={may(member, 'write')} />
    </Shell>
  )
}
