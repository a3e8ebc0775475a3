import { stringify } from 'csv-stringify/sync'
import { and, desc, eq, gte, ilike, isNull, lt, lte, or, sql, type SQL } from 'drizzle-orm'
import type { LoggedVisit, LogMonth, OpenLog, VisitFigures } from '@/core/record/visit'
import { unionAll } from 'drizzle-orm/pg-core'
import { client, containing, database, erasedVisit, plainly, plan, staff, visit } from '@/db'
import type { StaffMember } from '../auth'
import type { LogWishDto } from '@/dto'
import { catchUp } from './summary'

/** Visits in one answer. Our choice: two screens of them. */
const PAGE = 60

/** The log, newest first, with sums of all that is asked for. */
export async function openLog(member: StaffMember, wish: LogWishDto): Promise<OpenLog> {
  const visits = await listVisits(member, wish)
  const [months, incidents, people] = await Promise.all([
    monthsOf(member, wish),
    incidentsOf(member, wish),
    database()
      .select({ id: staff.id, name: staff.name })
      .from(staff)
      .where(eq(staff.salonId, member.salonId))
      .orderBy(staff.name),
  ])
  return { ...visits, months, incidents, people }
}

/** One page of the log; `after` is where the one before it ended. */
export async function listVisits(
  member: StaffMember,
  wish: LogWishDto,
): Promise<{ visits: LoggedVisit[]; next: string | null }> {
  if (!wish.after) await catchUp(member)
  const rows = await database()
    .select({
      id: visit.id,
      on: visit.on,
      by: staff.name,
      clientId: client.id,
      clientName: client.name,
      name: plan.name,
      figures: visit.figures,
    })
    .from(visit)
    .innerJoin(client, and(eq(client.salonId, visit.salonId), eq(client.id, visit.clientId)))
    .innerJoin(plan, and(eq(plan.salonId, visit.salonId), eq(plan.id, visit.planId)))
    .innerJoin(staff, and(eq(staff.salonId, visit.salonId), eq(staff.id, visit.staffId)))
    .where(and(wanted(member, wish), ...past(wish.after)))
    .orderBy(desc(visit.on), desc(visit.id))
    .limit(PAGE + 1)
  const visits = rows.slice(0, PAGE).map(({ clientId, clientName, ...row }) => ({
    ...row,
    client: { id: clientId, name: clientName },
  }))
  const last = visits.at(-1)
  return { visits, next: rows.length > PAGE && last ? `${last.on}/${last.id}` : null }
}

/** What lies after a place of the list. */
function past(after: string | undefined): SQL[] {
  const [on, id] = after?.split('/') ?? []
  return on && id ? [or(lt(visit.on, on), and(eq(visit.on, on), lt(visit.id, id)))!] : []
}

function wanted(member: StaffMember, { words, staffId, from, to, incident }: LogWishDto): SQL {
  const like = words?.trim() ? containing(words) : undefined
  return and(
    eq(visit.salonId, member.salonId),
    isNull(visit.withdrawnAt),
    staffId ? eq(visit.staffId, staffId) : undefined,
    from ? gte(visit.on, from) : undefined,
    to ? lte(visit.on, to) : undefined,
    incident ? sql`${visit.figures}->'incidents' @> ${JSON.stringify([incident])}::jsonb` : undefined,
    like
      ? sql`(${visit.clientId} in (select ${client.id} from ${client} where ${and(eq(client.salonId, member.salonId), sql`${plainly(client.name)} like ${plainly(like)}`)!})
        or ${visit.planId} in (select ${plan.id} from ${plan} where ${and(eq(plan.salonId, member.salonId), ilike(plan.name, like))!})
        or ${visit.formulas}::text ilike ${like})`
      : undefined,
  )!
}

/** What can be asked of visits also where their clients were erased. */
function erasedWanted(member: StaffMember, { words, staffId, from, to, incident }: LogWishDto): SQL {
  return and(
    eq(erasedVisit.salonId, member.salonId),
    words?.trim() ? sql`false` : undefined,
    staffId ? eq(erasedVisit.staffId, staffId) : undefined,
    from ? gte(erasedVisit.on, from) : undefined,
    to ? lte(erasedVisit.on, to) : undefined,
    incident ? sql`${erasedVisit.figures}->'incidents' @> ${JSON.stringify([incident])}::jsonb` : undefined,
  )!
}

/** Sums by month, the oldest first; visits of clients who were erased count on. */
async function monthsOf(member: StaffMember, wish: LogWishDto): Promise<LogMonth[]> {
  const counted = unionAll(
    database().select({ on: visit.on, figures: visit.figures }).from(visit).where(wanted(member, wish)),
    database()
      .select({ on: erasedVisit.on, figures: sql<VisitFigures | null>`${erasedVisit.figures}` })
      .from(erasedVisit)
      .where(erasedWanted(member, wish)),
  ).as('counted')
  const figure = (path: string) => sql`(${counted.figures}#>>${sql.raw(`'{${path}}'`)})::float8`
  const month = sql<string>`to_char(${counted.on}, 'YYYY-MM')`
  const rows = await database()
    .select({
      month,
      visits: sql<number>`count(*)::int`,
      plannedGrams: sql<number>`coalesce(sum(${figure('grams,planned')}), 0)`,
      weighedGrams: sql<number>`coalesce(sum(${figure('grams,weighed')}), 0)`,
      leftGrams: sql<number>`coalesce(sum(${figure('grams,left')}), 0)`,
      plannedMinutes: sql<number>`coalesce(sum(${figure('minutes,planned')}) filter (where ${figure('minutes,took')} is not null), 0)`,
      tookMinutes: sql<number>`coalesce(sum(${figure('minutes,took')}), 0)`,
      netMinor: sql<number>`coalesce(sum(${figure('net')}), 0)`,
      marginMinor: sql<number>`coalesce(sum(${figure('margin')}), 0)`,
      incidents: sql<number>`coalesce(sum(jsonb_array_length(${counted.figures}->'incidents')), 0)::int`,
      offLevels: sql<number | null>`avg(${figure('offLevels')})`,
    })
    .from(counted)
    .groupBy(month)
    .orderBy(month)
  return rows
}

async function incidentsOf(member: StaffMember, wish: LogWishDto): Promise<OpenLog['incidents']> {
  const { rows } = await database().execute<{ incident: string; count: number }>(
    sql`select incident, count(*)::int as count from ${visit}, jsonb_array_elements_text(${visit.figures}->'incidents') as incident
      where ${wanted(member, wish)} group by incident order by count desc, incident`,
  )
  return rows
}

/** The log as a table, newest first; what a spreadsheet would take for a formula is written as text. */
export async function csvOfLog(member: StaffMember, wish: LogWishDto): Promise<string> {
  const lines: LoggedVisit[] = []
  let after = wish.after
  do {
    const page = await listVisits(member, { ...wish, ...(after && { after }) })
    lines.push(...page.visits)
    after = page.next ?? undefined
  } while (after)
  return stringify(
    lines.map(({ on, client: { name: clientName }, by, name, figures }) => [
      on,
      clientName,
      by,
      name,
      figures?.minutes.planned,
      figures?.minutes.took,
      figures?.grams.planned,
      figures?.grams.weighed,
      figures?.grams.left,
      figures?.net,
      figures?.margin,
      figures?.incidents.join(' '),
    ]),
    { header: true, columns: [...CSV_COLUMNS], escape_formulas: true },
  )
}

const CSV_COLUMNS = [
  'on',
  'client',
  'colourist',
  'plan',
  'planned_min',
  'took_min',
  'planned_g',
  'weighed_g',
  'left_g',
  'net_minor',
  'margin_minor',
  'incidents',
] as const
