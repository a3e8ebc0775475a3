import { and, asc, eq, gte, isNull, lte } from 'drizzle-orm'
import { dayAfter } from '@/core/hair/hairRecord'
import { booking, calendarFeed, client, database, plan, salon, staff } from '@/db'
import type { StaffMember } from '../auth'
import { computing, oncePerState, type KeptPlan } from '../computing'
import { today } from '../days'
import type { FollowedVisit } from '../documents'
import { AppError } from '../errors'
import { setting } from '../settings'
import { newWord, partsOf } from '../words'

/** Days that a calendar is given, back from today and on from it. Our choice. */
const DAYS = { back: 30, on: 400 } as const
/** Bookings in one calendar. Our choice: two a day. */
const MOST = 800

/** Whether somebody's bookings can be followed by a link. */
export async function hasFeed(member: StaffMember): Promise<{ since: string | null }> {
  const [found] = await database().select({ since: calendarFeed.createdAt }).from(calendarFeed).where(ofMember(member))
  return { since: found?.since.toISOString() ?? null }
}

const ofMember = ({ salonId, id }: StaffMember) => and(eq(calendarFeed.salonId, salonId), eq(calendarFeed.staffId, id))

/** A new link to follow one's bookings by; the one before is good no more. It is told this once. */
export async function openFeed(member: StaffMember): Promise<{ link: string }> {
  const { word, hash } = newWord(member.salonId)
  const set = { tokenHash: hash, createdAt: new Date() }
  await database()
    .insert(calendarFeed)
    .values({ salonId: member.salonId, staffId: member.id, ...set })
    .onConflictDoUpdate({ target: [calendarFeed.salonId, calendarFeed.staffId], set })
  return { link: `${new URL(`/api/calendar/${word}`, setting('BETTER_AUTH_URL'))}` }
}

export async function closeFeed(member: StaffMember): Promise<object> {
  await database().delete(calendarFeed).where(ofMember(member))
  return {}
}

/**
 * The bookings of whoever has handed a link on, as a calendar (RFC 5545).
 * @throws AppError 404 for a link that is good no more
 */
export async function feedBy(word: string): Promise<string> {
  const parts = partsOf(word)
  const [owner] = parts
    ? await database()
        .select({ salonId: staff.salonId, id: staff.id, name: staff.name, timeZone: salon.timeZone })
        .from(calendarFeed)
        .innerJoin(staff, and(eq(staff.salonId, calendarFeed.salonId), eq(staff.id, calendarFeed.staffId)))
        .innerJoin(salon, eq(salon.id, calendarFeed.salonId))
        .where(
          and(
            eq(calendarFeed.salonId, parts.salonId),
            eq(calendarFeed.tokenHash, parts.hash),
            isNull(staff.deactivatedAt),
          ),
        )
    : []
  if (!owner) throw new AppError(404, 'not-found', 'This calendar is not open any more.')
  const now = today(owner)
  const rows = await database()
    .select({
      planId: plan.id,
      revision: plan.revision,
      document: plan.document,
      client: client.name,
      on: booking.on,
      arrives: booking.arrives,
    })
    .from(booking)
    .innerJoin(plan, and(eq(plan.salonId, booking.salonId), eq(plan.id, booking.planId), isNull(plan.deletedAt)))
    .innerJoin(client, and(eq(client.salonId, plan.salonId), eq(client.id, plan.clientId), isNull(client.deletedAt)))
    .where(
      and(
        eq(booking.salonId, owner.salonId),
        eq(booking.staffId, owner.id),
        gte(booking.on, dayAfter(now, -DAYS.back)),
        lte(booking.on, dayAfter(now, DAYS.on)),
      ),
    )
    .orderBy(asc(booking.on), asc(booking.arrives))
    .limit(MOST)
  const visits: FollowedVisit[] = []
  // One after the other: a calendar can wait, and whoever works in the salon comes between.
  for (const { client: name, on, arrives, ...kept } of rows) {
    const lasts = arrives === null ? undefined : await minutesOf(kept)
    const time = arrives === null || lasts === undefined ? null : { arrives, minutes: lasts }
    visits.push({ planId: kept.planId, client: name, name: kept.document.name, on, time })
  }
  return computing.feed(owner.name, visits)
}

const minutes = oncePerState(computing.minutes)

/** How long one plan takes, min. Undefined for one that cannot be worked out: its day is known all the same. */
async function minutesOf(kept: KeptPlan): Promise<number | undefined> {
  try {
    return await minutes(kept)
  } catch (error) {
    if (error instanceof AppError && error.status === 422) return undefined
    throw error
  }
}
