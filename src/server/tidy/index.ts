/** Rows that are good for nothing any more. */
import { and, inArray, isNotNull, lt, or } from 'drizzle-orm'
import { database, invitation, rateLimit, session, sharedTablet, verification } from '@/db'
import { foldQuiet } from '../folding'
import { log } from '../log'
import { letGo, moveOut } from '../pictures'

/** Looked for so often, ms. Every process does: taking away what is gone already costs nothing. */
const EVERY_MS = 3_600_000
const DAY_MS = 86_400_000
/** Invitations that were used, taken back or forgotten are kept for questions so long, days. Our choice. */
const INVITATIONS_DAYS = 90

/** Takes away sessions, letters and shares of tablets that have run out, old tries, invitations long closed. */
export async function tidy(now: Date = new Date()): Promise<void> {
  const db = database()
  const longAgo = new Date(now.getTime() - INVITATIONS_DAYS * DAY_MS)
  const quiet = lt(sharedTablet.expiresAt, now)
  const onQuiet = inArray(session.tabletId, db.select({ id: sharedTablet.id }).from(sharedTablet).where(quiet))
  await db.delete(session).where(or(lt(session.expiresAt, now), onQuiet))
  await db.delete(sharedTablet).where(quiet)
  await db.delete(verification).where(lt(verification.expiresAt, now))
  await db.delete(rateLimit).where(lt(rateLimit.lastRequest, now.getTime() - DAY_MS))
  await db
    .delete(invitation)
    .where(or(lt(invitation.expiresAt, longAgo), and(isNotNull(invitation.closedAt), lt(invitation.closedAt, longAgo))))
}

/** What is done by the hour; one that fails does not keep the others from it. */
const CHORES = { tidy, foldQuiet, moveOut, letGo } satisfies Record<string, () => Promise<unknown>>

/** Begins to do it, for as long as the process runs. */
export function keepTidy(): void {
  const once = async () => {
    for (const [name, chore] of Object.entries<() => Promise<unknown>>(CHORES))
      await chore().catch((error: unknown) => log.warn({ error }, `by the hour: could not ${name}`))
  }
  void once()
  setInterval(() => void once(), EVERY_MS).unref()
}
