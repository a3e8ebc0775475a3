import { importClients } from '@/server/clients'
import { AppError } from '@/server/errors'
import { LARGEST_BODY, readBytes, signedIn } from '@/server/http'

/** A table of clients, looked through and (with `?commit`) taken in. */
export const POST = signedIn(async (member, request) => {
  const text = (await readBytes(request, LARGEST_BODY)).toString('utf8')
  if (text.trim() === '') throw new AppError(422, 'invalid', 'This file is empty.')
  return importClients(member, text, new URL(request.url).searchParams.has('commit') ? 'commit' : 'preview')
})
