import { CLIENTS_PAGE, listClients } from '@/server/clients'
import { may } from '@/server/auth'
import { People } from '@/ui/people'
import { Shell } from '@/ui/shell'
import { memberFor } from '../signedInPage'

export const metadata = { title: 'People · Falto' }

export default async function PeoplePage({
  searchParams,
}: {
  searchParams: Promise<{ search?: string; removed?: string }>
}) {
  const member = await memberFor('/people')
  const { search = '', removed } = await searchParams
  const which = removed === undefined ? 'present' : 'removed'
  const clients = await listClients(member, search, which)
  return (
    <Shell member={member}>
      <People
        clients={clients}
        more={clients.length === CLIENTS_PAGE}
        search={search}
        which={which}
        writable={may(member, 'write')}
      />
    </Shell>
  )
}
