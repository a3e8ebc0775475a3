import { createClient, listClients } from '@/server/clients'
import { ClientDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

export const GET = signedIn(async (member, request) => ({
  clients: await listClients(member, new URL(request.url).searchParams.get('search') ?? ''),
}))

export const POST = signedIn(async (member, request) => createClient(member, await readEntry(request, ClientDto)))
