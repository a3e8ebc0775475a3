import { may } from '@/server/auth'
import { readClient } from '@/server/clients'
import { ClientPage } from '@/ui/people'
import { Shell } from '@/ui/shell'
import { memberFor, readFor } from '../../signedInPage'

export const metadata = { title: 'Client · Falto' }

export default async function OneClientPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/people/${id}`)
  const record = await readFor(readClient(member, id))
  return (
    <Shell member={member}>
      <ClientPage record={record} writable={may(member, 'write')} />
    </Shell>
  )
}
