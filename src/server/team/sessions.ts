import { and, desc, eq, gt, ne } from 'drizzle-orm'
import type { OwnSession } from '@/core/model'
import { database, session } from '@/db'
import { auth } from '../auth'
import { notFound } from '../errors'

/** The session that a request comes in by. Its token is told to no script. */
async function current(headers: Headers): Promise<{ id: string; userId: string }> {
  const found = await auth().api.getSession({ headers })
  if (!found) throw notFound('session')
  return { id: found.session.id, userId: found.session.userId }
}

/** Devices that one is signed in on, newest first. */
export async function sessionsOf(headers: Headers): Promise<OwnSession[]> {
  const own = await current(headers)
  const rows = await database()
    .select()
    .from(session)
    .where(and(eq(session.userId, own.userId), gt(session.expiresAt, new Date())))
    .orderBy(desc(session.createdAt))
  return rows.map(({ id, userAgent, ipAddress, createdAt, expiresAt }) => ({
    id,
    device: userAgent ?? '',
    from: ipAddress ?? '',
    since: createdAt.toISOString(),
    until: expiresAt.toISOString(),
    current: id === own.id,
  }))
}

/** Signs out on one device of one's own. */
export async function endSession(headers: Headers, id: string): Promise<object> {
  const { userId } = await current(headers)
  const ended = await database()
    .delete(session)
    .where(and(eq(session.userId, userId), eq(session.id, id)))
    .returning({ id: session.id })
  if (ended.length === 0) throw notFound('session')
  return {}
}

/** Signs out everywhere but here. */
export async function endOtherSessions(headers: Headers): Promise<{ ended: number }> {
  const own = await current(headers)
  const ended = await database()
    .delete(session)
    .where(and(eq(session.userId, own.userId), ne(session.id, own.id)))
    .returning({ id: session.id })
  return { ended: ended.length }
}

/** What one signs in with. */
export async function ownAccount(headers: Headers): Promise<{ email: string; secondFactor: boolean }> {
  const found = await auth().api.getSession({ headers })
  if (!found) throw notFound('session')
  return { email: found.user.email, secondFactor: found.user.twoFactorEnabled === true }
}
