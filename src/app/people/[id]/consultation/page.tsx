import { may } from '@/server/auth'
import { openConsultation } from '@/server/consultations'
import { ConsultationPage } from '@/ui/consultation'
import { Shell } from '@/ui/shell'
import { memberFor, readFor } from '../../../signedInPage'

export const metadata = { title: 'Consultation · Falto' }

export default async function OneConsultationPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const member = await memberFor(`/people/${id}/consultation`)
  const open = await readFor(openConsultation(member, id))
  return (
    <Shell member={member}>
      <ConsultationPage key={id} open={open} writable={may(member, 'write')} />
    </Shell>
  )
}
