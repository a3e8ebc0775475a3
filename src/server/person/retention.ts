import { asc, eq, sql } from 'drizzle-orm'
import type { Retention } from '@/core/model'
import { booking, client, consultation, database, picture, plan, salon, visit } from '@/db'
import { requirePermission, type StaffMember } from '../auth'

/** Proposed at once. Our choice: as many as one looks through. */
const MOST = 200

/** The last day that anything was done for a client, or is to be. */
const LAST = sql<string>`greatest(${client.updatedAt}::date,
  (select max(${plan.updatedAt})::date from ${plan} where ${plan.salonId} = ${client.salonId} and ${plan.clientId} = ${client.id}),
  (select max(${visit.on}) from ${visit} where ${visit.salonId} = ${client.salonId} and ${visit.clientId} = ${client.id}),
  (select max(${consultation.recordedOn}) from ${consultation}
    where ${consultation.salonId} = ${client.salonId} and ${consultation.clientId} = ${client.id}),
  (select max(${picture.at})::date from ${picture}
    where ${picture.salonId} = ${client.salonId} and ${picture.clientId} = ${client.id}),
  (select max(${booking.on}) from ${booking} join ${plan} on ${plan.salonId} = ${booking.salonId} and ${plan.id} = ${booking.planId}
    where ${booking.salonId} = ${client.salonId} and ${plan.clientId} = ${client.id}))`

/**
 * How long the salon keeps records, and who has not been there for longer, removed clients too. Nobody is erased by
 * this: it cannot be taken back, so somebody looks at the names and says so.
 */
export async function retentionOf(member: StaffMember): Promise<Retention> {
  requirePermission(member, 'oversee')
  const { salonId } = member
  const [own] = await database().select({ years: salon.retentionYears }).from(salon).where(eq(salon.id, salonId))
  const { years } = own!
  if (years === 0) return { years, due: [] }
  const known = database()
    .select({ id: client.id, name: client.name, last: LAST.as('last') })
    .from(client)
    // Beside another table columns are written with the names of theirs, which the questions within need.
    .innerJoin(salon, eq(salon.id, client.salonId))
    // Whoever was changed since has been there since.
    .where(sql`${client.salonId} = ${salonId} and ${client.updatedAt} < now() - make_interval(years => ${years})`)
    .as('known')
  const due = await database()
    .select({ id: known.id, name: known.name, last: sql<string>`${known.last}::text` })
    .from(known)
    .where(sql`${known.last} < current_date - make_interval(years => ${years})`)
    .orderBy(asc(known.last), asc(known.id))
    .limit(MOST)
  return { years, due }
}
