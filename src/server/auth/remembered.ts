import { LRUCache } from 'lru-cache'
import { hearFrom, isHearing } from '../listening'
import type { StaffMember } from './staff'

/**
 * A session is asked about again after so long, ms, were a notice of its end to get lost on the way. Our estimate: no
 * longer than a network may be gone before it is noticed.
 */
const REMEMBERED_MS = 10_000

interface Remembered {
  member: StaffMember
  sessionId: string
}

/** One per process: pages and route handlers are bundled apart. */
const shared = globalThis as typeof globalThis & {
  faltoSessions?: LRUCache<string, Remembered>
  faltoForgotten?: number
}
const remembered: LRUCache<string, Remembered> = (shared.faltoSessions ??= startRemembering())

/** Counts what was forgotten: who was looked up before that is not remembered after it. */
export const forgottenSoFar = (): number => shared.faltoForgotten ?? 0

/**
 * The database tells every process of a session that has ended and of a member of staff or a salon that was changed,
 * whoever did it.
 */
function startRemembering(): LRUCache<string, Remembered> {
  const known = new LRUCache<string, Remembered>({ max: 1000 })
  hearFrom('falto_who', {
    hear: (payload) => {
      const [kind = '', id = ''] = payload.split(' ')
      forget(kind as keyof typeof KINDS, id, known)
    },
    missed: () => {
      shared.faltoForgotten = forgottenSoFar() + 1
      known.clear()
    },
  })
  return known
}

const KINDS = {
  session: ({ sessionId }: Remembered, id: string) => sessionId === id,
  staff: ({ member }: Remembered, id: string) => member.id === id,
  salon: ({ member }: Remembered, id: string) => member.salonId === id,
} as const

/** What was remembered of a session, a member of staff or a salon: here at once, elsewhere by the database's notice. */
export function forget(kind: keyof typeof KINDS, id: string, known = remembered): void {
  shared.faltoForgotten = forgottenSoFar() + 1
  for (const [cookie, one] of known.entries()) if (KINDS[kind](one, id)) known.delete(cookie)
}

/**
 * Who is signed in by a session cookie, signature and all, as it was a moment ago. A page asks a handful of questions
 * at once, and each would look the same session up in the database. Nobody, where its end would not be heard of.
 */
export const rememberedAs = (cookie: string): Remembered | undefined =>
  isHearing() ? remembered.get(cookie) : undefined

export function remember(
  cookie: string,
  member: StaffMember,
  { id, expiresAt }: { id: string; expiresAt: Date },
  since: number,
): void {
  // Something was told while she was looked up: perhaps that she is not who she was.
  if (since !== forgottenSoFar()) return
  remembered.set(
    cookie,
    { member, sessionId: id },
    { ttl: Math.max(1, Math.min(REMEMBERED_MS, expiresAt.getTime() - Date.now())) },
  )
}
