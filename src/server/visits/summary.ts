import { and, asc, eq, isNull } from 'drizzle-orm'
import { figuresOf, type VisitSummary } from '@/core/record/visit'
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
    .set({ summary, figures: figuresOf(summary) })
    .where(and(eq(visit.salonId, member.salonId), eq(visit.id, row.id)))
  return summary
}

/** Visits that are summed up at one go. Our choice: a second or two of work. */
const AT_ONCE = 50

/** Sums up visits that nobody has looked at yet. @returns whether there are more */
export async function catchUp(member: StaffMember): Promise<boolean> {
  const rows: VisitRow[] = await database()
    .select()
    .from(visit)
    .where(and(eq(visit.salonId, member.salonId), isNull(visit.figures)))
    .orderBy(asc(visit.on), asc(visit.id))
    .limit(AT_ONCE)
  for (const row of rows) await summaryOf(member, await factsOf(member, row))
  return rows.length === AT_ONCE
}

/** Says what was left in a bowl, g; what follows from it is worked out anew. */
export async function tellLeft(member: StaffMember, visitId: string, mixId: string, grams: number): Promise<object> {
  requirePermission(member, 'mix')
  const row = await findVisit(member, visitId)
  const [changed] = isUuid(mixId)
    ? await database()
        .update(mix)
        .set({ leftTenths: tenthsOf(grams) })
        .where(and(eq(mix.salonId, member.salonId), eq(mix.id, mixId), eq(mix.planId, row.planId)))
        .returning({ id: mix.id })
    : []
  if (!changed) throw notFound('bowl')
  await database()
    .update(visit)
    .set({ summary: null, figures: null })
    .where(and(eq(visit.salonId, member.salonId), eq(visit.id, visitId)))
  return {}
}
