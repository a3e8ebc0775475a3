import { CLIENTS_PAGE, listClients } from '@/server/clients'
import { may } from '@/server/auth'
import { People } from '@/ui/people'
import { Shell } from '@/ui/shell'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'People · Falto' }

export default async function PeoplePage({ searchParams }: { searchParams: Promise<{ search?: string }> }) {
  const member = await memberFor('/people')
  const { search = '' } = await searchParams
  const clients = await listClients(member, search)
  return (
    <Shell member={member}>
      <People
        clients={clients}
        more={clients.length === CLIENTS_PAGE}
        search={search}
        writable={may(member, 'write')}
      />
    </Shell>
  )
}
