import { createClient, listClients } from '@/server/clients'
import { ClientDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

export const GET = signedIn(async (member, request) => {
  const asked = new URL(request.url).searchParams
  return listClients(member, {
    search: asked.get('search') ?? '',
    which: asked.has('removed') ? 'removed' : 'present',
    after: asked.get('after') ?? undefined,
  })
})

export const POST = signedIn(async (member, request) => createClient(member, await readEntry(request, ClientDto)))
