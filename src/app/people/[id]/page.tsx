import { may } from '@/server/auth'
import { openCare } from '@/server/care'
import { readClient } from '@/server/clients'
import { openConsultation } from '@/server/consultations'
import { ClientPage } from '@/ui/people'
import { Shell } from '@/ui/shell'
import { memberFor, readFor } from '../../signedInPage'

export const metadata = { title: 'Client · Falto' }

export default async function OneClientPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/people/${id}`)
  const [record, consultation, care] = await readFor(
    Promise.all([readClient(member, id), openConsultation(member, id), openCare(member, id)]),
  )
  return (
    <Shell member={member}>
      <ClientPage
        key={id}
        record={record}
        consultation={consultation}
        care={care}
        writable={may(member, 'write')}
        overseen={may(member, 'oversee')}
      />
    </Shell>
  )
}
