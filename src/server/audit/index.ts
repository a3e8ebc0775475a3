/** Who read health records and who changed what. */
import { and, desc, eq, inArray, lt } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { auditEntry, client, database, staff } from '@/db'
import type { AuditPage } from '@/core/model'
import type { StaffMember } from '../auth'

/** Entries on one page. */
const PAGE = 100

const UUID = /[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}/i

interface Asked {
  what: string
  request: { url: string; headers: Headers }
  requestId: string
}

/** Writes one thing down: the route or page, the first id in its address, who, from where. */
export async function writeDown(
  member: StaffMember,
  { what, request: { url, headers }, requestId }: Asked,
): Promise<void> {
  await database()
    .insert(auditEntry)
    .values({
      salonId: member.salonId,
      id: newId(),
      staffId: member.id,
      what,
      about: UUID.exec(url)?.[0] ?? '',
      from: headers.get('x-forwarded-for')?.slice(0, 100) ?? '',
      requestId,
    })
}

/** Entries of the salon, newest first, a page at a time: from before one that is named, about one thing if that is. */
export async function auditOf(
  { salonId }: StaffMember,
  { before, about }: { before?: string | undefined; about?: string | undefined },
): Promise<AuditPage> {
  const rows = await database()
    .select({
      id: auditEntry.id,
      at: auditEntry.at,
      by: staff.name,
      what: auditEntry.what,
      about: auditEntry.about,
      from: auditEntry.from,
    })
    .from(auditEntry)
    .innerJoin(staff, and(eq(staff.salonId, auditEntry.salonId), eq(staff.id, auditEntry.staffId)))
    .where(
      and(
        eq(auditEntry.salonId, salonId),
        before ? lt(auditEntry.id, before) : undefined,
        about ? eq(auditEntry.about, about) : undefined,
      ),
    )
    .orderBy(desc(auditEntry.id))
    .limit(PAGE + 1)
  const named = await clientNames(
    salonId,
    rows.map((row) => row.about),
  )
  const entries = rows
    .slice(0, PAGE)
    .map((row) => ({ ...row, at: row.at.toISOString(), client: named.get(row.about) ?? null }))
  return { entries, next: rows.length > PAGE ? entries.at(-1)!.id : null }
}

/** Names of those ids that are clients'. The audit itself keeps none. */
async function clientNames(salonId: string, ids: string[]): Promise<Map<string, string>> {
  const known = [...new Set(ids)].filter((id) => id !== '')
  if (known.length === 0) return new Map()
  const rows = await database()
    .select({ id: client.id, name: client.name })
    .from(client)
    .where(and(eq(client.salonId, salonId), inArray(client.id, known)))
  return new Map(rows.map(({ id, name }) => [id, name]))
}
