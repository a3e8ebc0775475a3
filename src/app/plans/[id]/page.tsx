import { may } from '@/server/auth'
import { openWorkspace } from '@/server/workspace'
import { Workspace } from '@/ui/map'
import { Shell } from '@/ui/shell'
import { written } from '@/ui/written'
import { memberFor, readFor } from '../../signedInPage'

export const metadata = { title: 'Map · Falto' }

export default async function PlanPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/plans/${id}`)
  const open = await readFor(openWorkspace(member, id))
  return (
    <Shell member={member}>
      <Workspace
        key={id}
        open={written(open)}
        permissions={{ write: may(member, 'write'), acknowledge: may(member, 'acknowledge') }}
      />
    </Shell>
  )
}
