import { may } from '@/server/auth'
import { openVisit } from '@/server/visits'
import { Shell } from '@/ui/shell'
import { VisitPage } from '@/ui/visits'
import { memberFor, readFor } from '../../signedInPage'

export const metadata = { title: 'Visit · Falto' }

export default async function OneVisitPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/visits/${id}`)
  const visit = await readFor(openVisit(member, id))
  return (
    <Shell member={member}>
      <VisitPage key={id} visit={visit} mayWrite={may(member, 'write')} mayMix={may(member, 'mix')} />
    </Shell>
  )
}
