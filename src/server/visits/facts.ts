import { sum } from '@/core/numeric'
import { and, asc, eq, inArray } from 'drizzle-orm'
import { inBowl } from '@/core/product/bowls'
import type { RunFormula } from '@/core/model'
import type { VisitBowl, VisitFacts } from '@/core/record/visit'
import { amendedPlan, amendmentsIn, foldRun, type RunScript } from '@/core/time/run'
import { database, mix, mixEvent, planVersion, run, staff, visit } from '@/db'
import type { StaffMember } from '../auth'
import { notFound } from '../errors'
import { isUuid } from '../http'
import { chairFormulas, eventsAfter } from '../runs'
import { gramsOf } from '../shelf'

export type VisitRow = typeof visit.$inferSelect

/** @throws AppError 404 */
export async function findVisit(member: StaffMember, id: string): Promise<VisitRow> {
  const [found] = isUuid(id)
    ? await database()
        .select()
        .from(visit)
        .where(and(eq(visit.salonId, member.salonId), eq(visit.id, id)))
    : []
  if (!found) throw notFound('visit')
  return found
}

/** A visit with everything it left behind. */
export interface Found {
  row: VisitRow
  facts: VisitFacts
  runId: string | null
}

export async function factsOf(member: StaffMember, row: VisitRow): Promise<Found> {
  const [version] = await database()
    .select({ document: planVersion.document })
    .from(planVersion)
    .where(
      and(
        eq(planVersion.salonId, member.salonId),
        eq(planVersion.planId, row.planId),
        eq(planVersion.number, row.planVersion),
      ),
    )
  const runs = await database()
    .select({ id: run.id, visitId: run.visitId, endedAt: run.endedAt, script: run.script, document: run.document })
    .from(run)
    .where(and(eq(run.salonId, member.salonId), eq(run.planId, row.planId)))
    .orderBy(asc(run.startedAt), asc(run.id))
  const own = runs.find(({ visitId }) => visitId === row.id)
  const before = runs.slice(0, own ? runs.indexOf(own) : 0).at(-1)
  const bowls =
    row.told?.bowls ?? (await bowlsBetween(member, row.planId, before?.endedAt ?? null, own?.endedAt ?? null))
  return {
    row,
    runId: own?.id ?? null,
    facts: {
      visitId: row.id,
      on: row.on,
      who: row.staffId,
      document: version!.document,
      bowls,
      told: row.told ?? undefined,
      run: own && (await runOf(member, own)),
    },
  }
}

async function runOf(
  member: StaffMember,
  { id, script, document }: Pick<typeof run.$inferSelect, 'id' | 'script' | 'document'>,
): Promise<NonNullable<VisitFacts['run']>> {
  const events = await eventsAfter(member, id, 0)
  const amendments = amendmentsIn(events)
  const formulas: RunFormula[] = chairFormulas(amendedPlan(document, amendments))
  const last: RunScript = amendments.at(-1)?.script ?? script
  return { script: last, state: foldRun(events), formulas }
}

/** Bowls of a plan that belong to one of its visits: mixed after the visit before it, and before its own end. */
async function bowlsBetween(
  member: StaffMember,
  planId: string,
  after: Date | null,
  until: Date | null,
): Promise<VisitBowl[]> {
  const rows = await database()
    .select({ bowl: mix, by: staff.name })
    .from(mix)
    .innerJoin(staff, and(eq(staff.salonId, mix.salonId), eq(staff.id, mix.staffId)))
    .where(and(eq(mix.salonId, member.salonId), eq(mix.planId, planId), eq(mix.state, 'done')))
    .orderBy(asc(mix.startedAt), asc(mix.id))
  const own = rows.filter(({ bowl: { startedAt } }) => (!after || startedAt > after) && (!until || startedAt <= until))
  if (own.length === 0) return []
  const ids = own.map(({ bowl }) => bowl.id)
  const events = await database()
    .select({ mixId: mixEvent.mixId, kind: mixEvent.kind, line: mixEvent.line, tenths: mixEvent.tenths })
    .from(mixEvent)
    .where(and(eq(mixEvent.salonId, member.salonId), inArray(mixEvent.mixId, ids)))
    .orderBy(asc(mixEvent.mixId), asc(mixEvent.seq))
  return own.map(({ bowl: { id, formulaId, planned, leftTenths }, by }) => {
    const poured = events
      .filter(({ mixId }) => mixId === id)
      .map(({ kind, line, tenths }) => ({ kind, line, amount: tenths }))
    return {
      id,
      formulaId,
      by,
      planned: sum(planned.map(({ grams }) => grams)),
      weighed: gramsOf(sum(inBowl(planned.length, poured))),
      left: leftTenths === null ? null : gramsOf(leftTenths),
    }
  })
}
