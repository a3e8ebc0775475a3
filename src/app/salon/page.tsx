import { headers } from 'next/headers'
import { notFound } from 'next/navigation'
import { may } from '@/server/auth'
import { retentionOf } from '@/server/person'
import { sharedTablets } from '@/server/tablets'
import { firstStepsOf, teamOf } from '@/server/team'
import { SalonPage } from '@/ui/salon'
import { Shell } from '@/ui/shell'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'Salon · Falto' }

export default async function OwnSalonPage() {
  const member = await memberFor('/salon')
  if (!may(member, 'team')) notFound()
  const [team, tablets, retention, { name, ...steps }] = await Promise.all([
    teamOf(member),
    sharedTablets(member, await headers()),
    retentionOf(member),
    firstStepsOf(member),
  ])
  return (
    <Shell member={member}>
      <SalonPage name={name} team={team} tablets={tablets} retention={retention} steps={steps} />
    </Shell>
  )
}
