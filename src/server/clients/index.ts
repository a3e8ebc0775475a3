import { and, asc, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { checkPlanHead } from './head'
import type { ClientRecord, ClientSummary } from '@/core/model'
import { booking, client, containing, database, plainly, plan, run, staff, visit, visitReview, type Reader } from '@/db'
import { may, requirePermission, type StaffMember } from '../auth'
import type { ClientChangeDto, ClientDto } from '@/dto'
import { AppError, notFound, sentAgain } from '../errors'
import { isUuid } from '../http'

export { importClients } from './table'

/** Clients and their hair records. */

/** Clients in one answer. Our choice: four screens of them. */
const PAGE = 200

interface ClientWish {
  /** What a name has to contain. */
  search?: string
  which?: 'present' | 'removed'
  /** The last client of the page before. */
  after?: string | undefined
}

/**
 * The plans a client's page lists. Those carried out more than four weeks ago, and not booked again, stand under her
 * visits, where they are looked for. Our choice.
 */
const isListed = and(
  isNull(plan.deletedAt),
  sql`(not exists (select 1 from ${visit}
    where ${visit.salonId} = ${plan.salonId} and ${visit.clientId} = ${plan.clientId} and ${visit.planId} = ${plan.id}
      and ${visit.on} < current_date - 28 and ${visit.withdrawnAt} is null)
  or exists (select 1 from ${booking}
    where ${booking.salonId} = ${plan.salonId} and ${booking.planId} = ${plan.id} and ${booking.on} >= current_date))`,
)

/** A page of clients, by name; `next` is where the next one begins. */
export async function listClients(
  member: StaffMember,
  { search = '', which = 'present', after }: ClientWish,
): Promise<{ clients: ClientSummary[]; next: string | null }> {
  const wanted = search.trim()
  const page = database()
    .select({ id: client.id, name: client.name, hair: client.hair })
    .from(client)
    .where(
      and(
        eq(client.salonId, member.salonId),
        which === 'present' ? isNull(client.deletedAt) : isNotNull(client.deletedAt),
        wanted ? sql`${plainly(client.name)} like ${plainly(containing(wanted))}` : undefined,
        after && isUuid(after)
          ? sql`(${client.name}, ${client.id}) > (select last.name, last.id from ${client} last
              where last.salon_id = ${member.salonId} and last.id = ${after})`
          : undefined,
      ),
    )
    .orderBy(asc(client.name), asc(client.id))
    .limit(PAGE + 1)
    .as('page')
  // Plans are counted for the clients on the page only.
  const rows = await database()
    .select({
      id: page.id,
      name: page.name,
      hair: page.hair,
      plans: count(plan.id),
      lastVisitOn: sql<string | null>`(select max(${visit.on}) from ${visit}
        where ${visit.salonId} = ${member.salonId} and ${visit.clientId} = ${page.id} and ${visit.withdrawnAt} is null)`,
    })
    .from(page)
    .leftJoin(plan, and(eq(plan.salonId, member.salonId), eq(plan.clientId, page.id), isListed))
    .groupBy(page.id, page.name, page.hair)
    .orderBy(asc(page.name), asc(page.id))
  const clients = rows.slice(0, PAGE)
  return { clients, next: rows.length > PAGE ? clients.at(-1)!.id : null }
}

export async function readClient(member: StaffMember, id: string): Promise<ClientRecord> {
  const found = await findClient(member, id)
  const plans = await database()
    .select({ id: plan.id, name: plan.name, updatedAt: plan.updatedAt })
    .from(plan)
    .where(and(eq(plan.salonId, member.salonId), eq(plan.clientId, id), isListed))
    .orderBy(desc(plan.updatedAt), asc(plan.id))
  const { name, note, head, hair, revision } = found
  const visits = await visitsOf(member, id)
  return {
    id,
    name,
    note: may(member, 'health') ? note : '',
    head,
    hair,
    revision,
    plans: plans.map((row) => ({ ...row, updatedAt: row.updatedAt.toISOString() })),
    visits,
  }
}

/** Visits of a client in short, newest first, each with the reader's own review of it, or what others share. */
export async function visitsOf(member: StaffMember, clientId: string): Promise<ClientRecord['visits']> {
  const change = sql<string>`coalesce((
    select ${visitReview.change} from ${visitReview}
    where ${visitReview.salonId} = ${visit.salonId} and ${visitReview.visitId} = ${visit.id}
      and (${visitReview.staffId} = ${member.id} or ${visitReview.shared})
    order by ${visitReview.staffId} = ${member.id} desc, ${visitReview.at} desc limit 1), '')`
  return database()
    .select({ id: visit.id, on: visit.on, name: plan.name, by: staff.name, change })
    .from(visit)
    .innerJoin(plan, and(eq(plan.salonId, visit.salonId), eq(plan.id, visit.planId)))
    .innerJoin(staff, and(eq(staff.salonId, visit.salonId), eq(staff.id, visit.staffId)))
    .where(and(eq(visit.salonId, member.salonId), eq(visit.clientId, clientId), isNull(visit.withdrawnAt)))
    .orderBy(desc(visit.on), desc(visit.createdAt))
}

/** Adds somebody; who is sent twice is added once. @throws AppError 409, 422 */
export async function createClient(member: StaffMember, entry: ClientDto): Promise<{ id: string }> {
  requirePermission(member, 'write')
  checkPlanHead(entry.head)
  const { id = newId(), name, note, head, hair } = entry
  const row = { name, note, head, hair }
  const added = await database()
    .insert(client)
    .values({ salonId: member.salonId, id, ...row })
    .onConflictDoNothing()
    .returning({ id: client.id })
  if (added.length === 0) sentAgain(row, await findClient(member, id))
  return { id }
}

export async function changeClient(
  member: StaffMember,
  id: string,
  entry: ClientChangeDto,
): Promise<{ revision: number }> {
  requirePermission(member, 'write')
  await findClient(member, id)
  checkPlanHead(entry.head)
  const { name, note, head, baseRevision } = entry
  const [changed] = await database()
    .update(client)
    .set({ name, note, head, revision: baseRevision + 1, updatedAt: new Date() })
    .where(and(eq(client.salonId, member.salonId), eq(client.id, id), eq(client.revision, baseRevision)))
    .returning({ revision: client.revision })
  if (!changed)
    throw new AppError(
      409,
      'stale',
      'Someone else changed this record meanwhile. Load it again and repeat your change.',
    )
  return changed
}

/**
 * Removes a client from sight, or brings one back.
 * @throws AppError 409 while a visit of hers is going on
 */
export async function setClientRemoved(
  member: StaffMember,
  id: string,
  removed: 'removed' | 'present',
): Promise<object> {
  requirePermission(member, 'write')
  if (removed === 'removed' && isUuid(id) && (await isBeingVisited(member, id)))
    throw new AppError(409, 'going-on', 'A visit of hers is going on. End it at the chair first.')
  const [changed] = isUuid(id)
    ? await database()
        .update(client)
        .set({ deletedAt: removed === 'removed' ? new Date() : null })
        .where(and(eq(client.salonId, member.salonId), eq(client.id, id)))
        .returning({ id: client.id })
    : []
  if (!changed) throw notFound('client')
  return {}
}

async function isBeingVisited(member: StaffMember, id: string): Promise<boolean> {
  const going = await database()
    .select({ id: run.id })
    .from(run)
    .innerJoin(plan, and(eq(plan.salonId, run.salonId), eq(plan.id, run.planId)))
    .where(and(eq(run.salonId, member.salonId), eq(plan.clientId, id), isNull(run.endedAt)))
    .limit(1)
  return going.length > 0
}

export async function findClient(member: StaffMember, id: string, reader: Reader = database()) {
  const [found] = isUuid(id)
    ? await reader
        .select()
        .from(client)
        .where(and(eq(client.salonId, member.salonId), eq(client.id, id), isNull(client.deletedAt)))
    : []
  if (!found) throw notFound('client')
  return found
}
