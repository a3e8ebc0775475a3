import { learningOf } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { FiguresPage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'
import { catchUpFor } from '../catchUpFor'

export const metadata = { title: 'Your figures · Falto' }

export default async function Figures() {
  const member = await memberFor('/log/figures')
  const catchingUp = await catchUpFor(member, '/log/figures')
  if (catchingUp) return catchingUp
  const learned = await learningOf(member)
  return (
    <Shell member={member}>
      <FiguresPage learned={learned} />
    </Shell>
  )
}
