import { FEW_BEHIND, learningOf, visitsBehind } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { CatchUp, FiguresPage } from '@/ui/visits'
import { memberFor } from '../../signedInPage'

export const metadata = { title: 'Your figures · Falto' }

export default async function Figures() {
  const member = await memberFor('/log/figures')
  const behind = await visitsBehind(member)
  if (behind > FEW_BEHIND)
    return (
      <Shell member={member}>
        <CatchUp here="/log/figures" behind={behind} />
      </Shell>
    )
  const learned = await learningOf(member)
  return (
    <Shell member={member}>
      <FiguresPage learned={learned} />
    </Shell>
  )
}
