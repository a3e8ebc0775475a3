import { and, asc, eq, gt } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import type { SharedTablet } from '@/core/model'
import { database, inTransaction, session, sharedTablet } from '@/db'
import type { SharedTabletDto } from '@/dto'
import { auth, forget, requirePermission, TABLET_COOKIE, tabletOf, type StaffMember } from '../auth'
import { notFound } from '../errors'
import { isUuid } from '../http'
import { setting } from '../settings'
import { newWord } from '../words'

/** A tablet is shared for so long, days; then anew, so that a lost one goes quiet. Our choice. */
const GOOD_DAYS = 180
const DAY_S = 86_400

/**
 * Shares the device that asks: it keeps a word that says which one it is, and the session that asks locks itself too.
 * @returns the answer, with the cookie
 */
export async function shareTablet(
  member: StaffMember,
  headers: Headers,
  { name, lockAfterMin }: SharedTabletDto,
): Promise<Response> {
  requirePermission(member, 'team')
  const current = await auth().api.getSession({ headers })
  if (!current) throw notFound('session')
  const { salonId } = member
  const { word, hash } = newWord(salonId)
  const id = newId()
  const expiresAt = new Date(Date.now() + GOOD_DAYS * DAY_S * 1000)
  await inTransaction(async (tx) => {
    await tx
      .insert(sharedTablet)
      .values({ salonId, id, name, tokenHash: hash, lockAfterMin, sharedBy: member.id, expiresAt })
    await tx.update(session).set({ tabletId: id }).where(eq(session.id, current.session.id))
  })
  forget('session', current.session.id)
  return Response.json({ id }, { headers: { 'set-cookie': cookieOf(word) } })
}

/** No script reads it, and it goes nowhere but here. */
const cookieOf = (word: string): string =>
  [
    `${TABLET_COOKIE}=${word}`,
    'Path=/',
    `Max-Age=${GOOD_DAYS * DAY_S}`,
    'HttpOnly',
    'SameSite=Lax',
    ...(setting('BETTER_AUTH_URL')?.startsWith('https:') ? ['Secure'] : []),
  ].join('; ')

/** Tablets that the salon shares, oldest first. */
export async function sharedTablets(member: StaffMember, headers: Headers): Promise<SharedTablet[]> {
  requirePermission(member, 'team')
  const here = await tabletOf(headers)
  const rows = await database()
    .select()
    .from(sharedTablet)
    .where(and(eq(sharedTablet.salonId, member.salonId), gt(sharedTablet.expiresAt, new Date())))
    .orderBy(asc(sharedTablet.createdAt))
  return rows.map(({ id, name, lockAfterMin, createdAt }) => ({
    id,
    name,
    lockAfterMin,
    since: createdAt.toISOString(),
    here: id === here?.id,
  }))
}

/** A tablet is shared no more, and whoever is signed in on it is not any longer. */
export async function stopSharing(member: StaffMember, id: string): Promise<object> {
  requirePermission(member, 'team')
  if (!isUuid(id)) throw notFound('tablet')
  await inTransaction(async (tx) => {
    const gone = await tx
      .delete(sharedTablet)
      .where(and(eq(sharedTablet.salonId, member.salonId), eq(sharedTablet.id, id)))
      .returning({ id: sharedTablet.id })
    if (gone.length === 0) throw notFound('tablet')
    await tx.delete(session).where(eq(session.tabletId, id))
  })
  return {}
}
