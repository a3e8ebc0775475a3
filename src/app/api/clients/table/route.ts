import { importClients } from '@/server/clients'
import { readTableEntry, signedIn } from '@/server/http'

/** A table of clients, looked through and (with `?commit`) taken in. */
export const POST = signedIn(async (member, request) => {
  const { text, mode } = await readTableEntry(request)
  return importClients(member, text, mode)
})
