import { may } from '@/server/auth'
import { openCare } from '@/server/care'
import { CarePage } from '@/ui/care'
import { NotForYou, Shell } from '@/ui/shell'
import { memberFor, readFor } from '../../../signedInPage'

export const metadata = { title: 'Care · Falto' }

export default async function OneCarePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/people/${id}/care`)
  if (!may(member, 'health'))
    return (
      <Shell member={member}>
        <NotForYou role={member.role} />
      </Shell>
    )
  const open = await readFor(openCare(member, id))
  return (
    <Shell member={member}>
      <CarePage open={open} writable={may(member, 'acknowledge')} />
    </Shell>
  )
}
