import { listClients } from '@/server/clients'
import { may } from '@/server/auth'
import { People } from '@/ui/people'
import { Shell } from '@/ui/shell'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'People · Falto' }

export default async function PeoplePage({ searchParams }: { searchParams: Promise<{ search?: string }> }) {
  const member = await memberFor('/people')
  const { search = '' } = await searchParams
  return (
    <Shell member={member}>
      <People clients={await listClients(member, search)} search={search} writable={may(member, 'write')} />
    </Shell>
  )
}
