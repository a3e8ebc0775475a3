import { and, asc, count, eq, isNull, sql } from 'drizzle-orm'
import { keptOf, type VisitSummary } from '@/core/record/visit'
import { database, mix, visit } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { computing } from '../computing'
import { notFound } from '../errors'
import { isUuid } from '../http'
import { tenthsOf } from '../shelf'
import { factsOf, findVisit, type Found, type VisitRow } from './facts'

/**
 * What a visit came to. Worked out from its logs when it is first asked for, and kept; a crash loses nothing, because
 * the logs are what counts.
 */
export async function summaryOf(member: StaffMember, found: Found): Promise<VisitSummary> {
  const { row, facts } = found
  if (row.summary) return row.summary
  const summary = await computing.visit(facts)
  await database()
    .update(visit)
    .set(keptOf(summary))
    .where(and(eq(visit.salonId, member.salonId), eq(visit.id, row.id), eq(visit.changes, row.changes)))
  return summary
}

/** Visits that are summed up at one go. Our choice: a second of work. */
const AT_ONCE = 25

/** Sums up visits that nobody has looked at yet. @returns whether there are more */
export async function catchUp(member: StaffMember): Promise<boolean> {
  const rows: VisitRow[] = await database()
    .select()
    .from(visit)
    .where(isBehind(member))
    .orderBy(asc(visit.on), asc(visit.id))
    .limit(AT_ONCE)
  for (const row of rows) await summaryOf(member, await factsOf(member, row))
  return rows.length === AT_ONCE
}

/** Sums up all that nobody has looked at yet. */
export async function catchUpWholly(member: StaffMember): Promise<void> {
  while (await catchUp(member));
}

const isBehind = (member: StaffMember) =>
  and(eq(visit.salonId, member.salonId), isNull(visit.figures), isNull(visit.withdrawnAt))

/** How many visits nobody has summed up yet. */
export async function visitsBehind(member: StaffMember): Promise<number> {
  const [found] = await database().select({ behind: count() }).from(visit).where(isBehind(member))
  return found!.behind
}

/** So many are summed up while a page is opened; of more a page says how far it is. Our choice: about a second. */
export const FEW_BEHIND = 20

/** Says what was left in a bowl, g; what follows from it is worked out anew. */
export async function tellLeft(member: StaffMember, visitId: string, mixId: string, grams: number): Promise<object> {
  requirePermission(member, 'mix')
  const row = await findVisit(member, visitId)
  if (row.told) return tellLeftAfterwards(member, row, mixId, grams)
  const [changed] = isUuid(mixId)
    ? await database()
        .update(mix)
        .set({ leftTenths: tenthsOf(grams) })
        .where(and(eq(mix.salonId, member.salonId), eq(mix.id, mixId), eq(mix.planId, row.planId)))
        .returning({ id: mix.id })
    : []
  if (!changed) throw notFound('bowl')
  await sumUpAnew(member, visitId)
  return {}
}

/** The same for a visit that was told: its bowls stand with it. */
async function tellLeftAfterwards(
  member: StaffMember,
  { id, told }: VisitRow,
  mixId: string,
  grams: number,
): Promise<object> {
  if (!told?.bowls.some((bowl) => bowl.id === mixId)) throw notFound('bowl')
  const bowls = told.bowls.map((bowl) => (bowl.id === mixId ? { ...bowl, left: grams } : bowl))
  await sumUpAnew(member, id, { told: { ...told, bowls } })
  return {}
}

/** Forgets what a visit came to, so that it is worked out anew when it is asked for next. */
async function sumUpAnew(member: StaffMember, id: string, changed: Partial<VisitRow> = {}): Promise<void> {
  await database()
    .update(visit)
    .set({ ...changed, summary: null, figures: null, formulas: null, changes: sql`${visit.changes} + 1` })
    .where(and(eq(visit.salonId, member.salonId), eq(visit.id, id)))
}
