import { auditOf } from '@/server/audit'
import { isUuid, signedIn } from '@/server/http'

/** Newest first; `?before=` and `?about=` name an entry and a thing by their ids. */
export const GET = signedIn(async (member, request) => {
  const asked = new URL(request.url).searchParams
  const id = (name: string): string | undefined => {
    const value = asked.get(name)
    return value !== null && isUuid(value) ? value : undefined
  }
  return auditOf(member, { before: id('before'), about: id('about') })
})
