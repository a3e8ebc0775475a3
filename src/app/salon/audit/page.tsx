import { notFound } from 'next/navigation'
import { auditOf } from '@/server/audit'
import { may } from '@/server/auth'
import { isUuid } from '@/server/http'
import { AuditPage } from '@/ui/salon'
import { Shell } from '@/ui/shell'
import { memberFor } from '../../signedInPage'

export const metadata = { title: 'Who did what · Falto' }

export default async function WhoDidWhatPage({
  searchParams,
}: {
  searchParams: Promise<{ before?: string; about?: string }>
}) {
  const member = await memberFor('/salon/audit')
  if (!may(member, 'oversee')) notFound()
  const asked = await searchParams
  const id = (value: string | undefined) => (value !== undefined && isUuid(value) ? value : undefined)
  const about = id(asked.about)
  return (
    <Shell member={member}>
      <AuditPage page={await auditOf(member, { before: id(asked.before), about })} about={about} />
    </Shell>
  )
}
