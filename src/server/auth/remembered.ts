import { LRUCache } from 'lru-cache'
import type { StaffMember } from './staff'

/**
 * A session is asked about again after so long, ms: by then a change of somebody's role holds. Our estimate: no longer
 * than it takes to say so.
 */
const REMEMBERED_MS = 10_000

interface Remembered {
  member: StaffMember
  token: string
}

/** One per process: pages and route handlers are bundled apart. */
const shared = globalThis as typeof globalThis & { faltoSessions?: LRUCache<string, Remembered> }

/**
 * Who is signed in by a session cookie, signature and all. A page asks a handful of questions at once, and each would
 * look the same session up in the database. A session that ends is forgotten with it.
 */
export const remembered = (): LRUCache<string, Remembered> => (shared.faltoSessions ??= new LRUCache({ max: 1000 }))

export function remember(
  cookie: string,
  member: StaffMember,
  { token, expiresAt }: { token: string; expiresAt: Date },
): void {
  remembered().set(
    cookie,
    { member, token },
    { ttl: Math.max(1, Math.min(REMEMBERED_MS, expiresAt.getTime() - Date.now())) },
  )
}

/** It has ended. */
export const forgetSession = (token: string): void => forget((known) => known.token === token)

/** A salon has changed what its people go by. */
export const forgetSalon = (salonId: string): void => forget(({ member }) => member.salonId === salonId)

function forget(isMeant: (known: Remembered) => boolean): void {
  for (const [cookie, known] of remembered().entries()) if (isMeant(known)) remembered().delete(cookie)
}
