import { may } from '@/server/auth'
import { openRun } from '@/server/runs'
import { Chair } from '@/ui/chair'
import { UnitsProvider } from '@/ui/hooks/useUnits'
import { Guarded } from '@/ui/shell'
import { memberFor, readFor } from '../../signedInPage'

export const metadata = { title: 'Chair · Falto' }

export default async function RunPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/runs/${id}`)
  const open = await readFor(openRun(member, id))
  return (
    <UnitsProvider units={member.units}>
      <Guarded member={member} inSight>
        <Chair key={id} open={open} permissions={{ tell: may(member, 'mix'), record: may(member, 'write') }} />
      </Guarded>
    </UnitsProvider>
  )
}
