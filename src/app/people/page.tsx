import { listClients } from '@/server/clients'
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
  const { clients, next } = await listClients(member, { search, which })
  return (
    <Shell member={member}>
      <People clients={clients} next={next} search={search} which={which} writable={may(member, 'write')} />
    </Shell>
  )
}
