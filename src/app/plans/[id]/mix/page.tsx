import { may } from '@/server/auth'
import { openMixing } from '@/server/workspace'
import { MixPage } from '@/ui/mix'
import { Shell } from '@/ui/shell'
import { memberFor, readFor } from '../../../signedInPage'

export const metadata = { title: 'Mix · Falto' }

export default async function PlanMixPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/plans/${id}/mix`)
  const mixing = await readFor(openMixing(member, id))
  return (
    <Shell member={member}>
      <MixPage
        key={id}
        {...mixing}
        permissions={{
          write: may(member, 'write'),
          acknowledge: may(member, 'acknowledge'),
          mix: may(member, 'mix'),
          prices: may(member, 'prices'),
        }}
      />
    </Shell>
  )
}
