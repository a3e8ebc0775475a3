import { and, asc, desc, eq, isNull, sql, type SQL } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { checkPlanHead } from './head'
import type { ClientRecord, ClientSummary } from '@/core/model'
import { client, database, plan } from '@/db'
import { require, type StaffMember } from '../auth'
import type { ClientChangeDto, ClientDto } from '../dto'
import { AppError, notFound } from '../errors'
import { isUuid } from '../http'

/** Clients and their hair records. */

/** Most clients in one answer; search narrows. */
export const CLIENTS_PAGE = 200

/** A figure over a client's plans, asked for the clients on the page only. */
const ofClient = <T>(figure: SQL<T>) =>
  sql<T>`(select ${figure} from ${plan} where ${plan.salonId} = ${client.salonId} and ${plan.clientId} = ${client.id} and ${plan.deletedAt} is null)`

/** Clients whose name contains the words asked for, by name. */
export async function listClients(member: StaffMember, search: string): Promise<ClientSummary[]> {
  const wanted = search
    .trim()
    .toLowerCase()
    .replace(/[\\%_]/g, '\\$&')
  const rows = await database()
    .select({
      id: client.id,
      name: client.name,
      hair: client.hair,
      plans: ofClient(sql<number>`count(*)::int`),
      lastPlanAt: ofClient(sql<string | null>`max(${plan.updatedAt})`),
    })
    .from(client)
    .where(
      and(
        eq(client.salonId, member.salonId),
        isNull(client.deletedAt),
        wanted ? sql`lower(${client.name}) like ${`%${wanted}%`}` : undefined,
      ),
    )
    .orderBy(asc(client.name), asc(client.id))
    .limit(CLIENTS_PAGE)
  return rows.map((row) => ({ ...row, lastPlanAt: row.lastPlanAt && new Date(row.lastPlanAt).toISOString() }))
}

export async function readClient(member: StaffMember, id: string): Promise<ClientRecord> {
  const found = await findClient(member, id)
  const plans = await database()
    .select({ id: plan.id, name: plan.name, updatedAt: plan.updatedAt })
    .from(plan)
    .where(and(eq(plan.salonId, member.salonId), eq(plan.clientId, id), isNull(plan.deletedAt)))
    .orderBy(desc(plan.updatedAt), asc(plan.id))
  const { name, note, head, hair, revision } = found
  return {
    id,
    name,
    note,
    head,
    hair,
    revision,
    plans: plans.map((row) => ({ ...row, updatedAt: row.updatedAt.toISOString() })),
  }
}

export async function createClient(member: StaffMember, entry: ClientDto): Promise<{ id: string }> {
  require(member, 'write')
  checkPlanHead(entry.head)
  const id = newId()
  const { name, note, head, hair } = entry
  await database().insert(client).values({ salonId: member.salonId, id, name, note, head, hair })
  return { id }
}

export async function changeClient(
  member: StaffMember,
  id: string,
  entry: ClientChangeDto,
): Promise<{ revision: number }> {
  require(member, 'write')
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

/** Removes a client from sight, or brings one back. */
export async function setClientRemoved(
  member: StaffMember,
  id: string,
  removed: 'removed' | 'present',
): Promise<object> {
  require(member, 'write')
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

export async function findClient(member: StaffMember, id: string) {
  const [found] = isUuid(id)
    ? await database()
        .select()
        .from(client)
        .where(and(eq(client.salonId, member.salonId), eq(client.id, id), isNull(client.deletedAt)))
    : []
  if (!found) throw notFound('client')
  return found
}
