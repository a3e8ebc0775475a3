/** For which days plans are booked, and what a day holds. */
import { and, asc, eq, isNull } from 'drizzle-orm'
import type { BookedVisit, Booking } from '@/core/model'
import { booking, client, database, plan } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { newestCanvases } from '../consultations'
import type { BookingDto } from '@/dto'
import { findPlan } from '../plans'

export { closeFeed, feedBy, hasFeed, openFeed } from './feed'

export async function bookingOf(member: StaffMember, planId: string): Promise<Booking | null> {
  const [found] = await database()
    .select({ on: booking.on, arrives: booking.arrives })
    .from(booking)
    .where(and(eq(booking.salonId, member.salonId), eq(booking.planId, planId)))
  return found ?? null
}

/** Books a plan for a day, or for none. */
export async function bookPlan(member: StaffMember, planId: string, { on, arrives }: BookingDto): Promise<object> {
  requirePermission(member, 'write')
  await findPlan(member, planId)
  if (on) {
    const set = { on, staffId: member.id, at: new Date(), ...(arrives !== undefined && { arrives }) }
    await database()
      .insert(booking)
      .values({ salonId: member.salonId, planId, ...set })
      .onConflictDoUpdate({ target: [booking.salonId, booking.planId], set })
  } else
    await database()
      .delete(booking)
      .where(and(eq(booking.salonId, member.salonId), eq(booking.planId, planId)))
  return {}
}

/** Everybody who is booked for a day, those without a time last. */
export async function visitsOn(member: StaffMember, on: string): Promise<BookedVisit[]> {
  const rows = await database()
    .select({
      planId: plan.id,
      document: plan.document,
      arrives: booking.arrives,
      clientId: client.id,
      name: client.name,
    })
    .from(booking)
    .innerJoin(plan, and(eq(plan.salonId, booking.salonId), eq(plan.id, booking.planId)))
    .innerJoin(client, and(eq(client.salonId, plan.salonId), eq(client.id, plan.clientId), isNull(client.deletedAt)))
    .where(and(eq(booking.salonId, member.salonId), eq(booking.on, on), isNull(plan.deletedAt)))
    .orderBy(asc(booking.arrives), asc(client.name), asc(plan.id))
  const canvases = await newestCanvases(
    member,
    rows.map(({ clientId }) => clientId),
  )
  return rows.map(({ clientId, name, ...row }) => ({
    ...row,
    client: { id: clientId, name },
    canvas: canvases.get(clientId) ?? null,
  }))
}
