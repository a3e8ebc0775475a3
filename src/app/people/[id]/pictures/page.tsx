import { may } from '@/server/auth'
import { findClient } from '@/server/clients'
import { listPictures } from '@/server/pictures'
import { PicturesPage } from '@/ui/pictures'
import { Shell } from '@/ui/shell'
import { memberFor, readFor } from '../../../signedInPage'

export const metadata = { title: 'Pictures · Falto' }

export default async function ClientPicturesPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/people/${id}/pictures`)
  const [client, pictures] = await readFor(Promise.all([findClient(member, id), listPictures(member, id)]))
  return (
    <Shell member={member}>
      <PicturesPage key={id} client={{ id, name: client.name }} pictures={pictures} writable={may(member, 'write')} />
    </Shell>
  )
}
