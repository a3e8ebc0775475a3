import { stringify } from 'csv-stringify/sync'
import { and, desc, eq, isNull, sql } from 'drizzle-orm'
import { nearestFormulas, type FoundFormula, type MixedFormula, type UsedFormula } from '@/core/record/visit'
import { client, containing, database, plainly, plan, visit } from '@/db'
import type { StaffMember } from '../auth'
import type { FormulaWishDto } from '@/dto'
import { catchUpWholly } from './summary'

/** Formulas in one answer. Our choice. */
const MOST_FORMULAS = 80

/** Formulas that were used in visits, alike ones once; by words, and nearest to a colour. */
export async function formulasIn(
  member: StaffMember,
  { words, level, tone = 'neutral' }: FormulaWishDto,
): Promise<FoundFormula[]> {
  await catchUpWholly(member)
  const like = words?.trim() ? containing(words) : null
  const { rows } = await database().execute<{
    formula: MixedFormula
    times: number
    visitId: string
    on: string
    client: string
  }>(
    sql`select (array_agg(used.formula order by used."on" desc))[1] as formula, count(*)::int as times,
        (array_agg(used.visit_id order by used."on" desc))[1] as "visitId", max(used."on")::text as "on",
        (array_agg(used.client order by used."on" desc))[1] as client
      from (
        select formula, ${visit.id} as visit_id, ${visit.on} as "on", ${client.name} as client
        from ${visit}
        join ${client} on ${client.salonId} = ${visit.salonId} and ${client.id} = ${visit.clientId}
        cross join lateral jsonb_array_elements(${visit.formulas}) as formula
        where ${visit.salonId} = ${member.salonId}
          and ${visit.withdrawnAt} is null
          and (${like}::text is null or ${plainly(client.name)} like ${plainly(like)} or formula::text ilike ${like})
      ) as used
      group by used.formula->>'product', used.formula->>'developerVol', used.formula->>'ratio', used.formula->>'level', used.formula->>'tone'`,
  )
  const used = rows.map(({ formula, ...where }): UsedFormula => ({ ...formula, ...where }))
  return nearestFormulas(used, level === undefined ? undefined : { level, tone }).slice(0, MOST_FORMULAS)
}

const CSV_COLUMNS = ['on', 'client', 'plan', 'product', 'kind', 'level', 'tone', 'developer_vol', 'ratio'] as const

/** Every formula that was mixed for a visit as a table, newest first. */
export async function csvOfFormulas(member: StaffMember): Promise<string> {
  await catchUpWholly(member)
  const rows = await database()
    .select({ on: visit.on, client: client.name, plan: plan.name, formulas: visit.formulas })
    .from(visit)
    .innerJoin(client, and(eq(client.salonId, visit.salonId), eq(client.id, visit.clientId)))
    .innerJoin(plan, and(eq(plan.salonId, visit.salonId), eq(plan.id, visit.planId)))
    .where(and(eq(visit.salonId, member.salonId), isNull(visit.withdrawnAt)))
    .orderBy(desc(visit.on), desc(visit.id))
  const lines = rows.flatMap(({ formulas, ...of }) =>
    (formulas ?? []).map(({ product, kind, level, tone, developerVol, ratio }) => [
      ...[of.on, of.client, of.plan, product, kind],
      ...[level, tone, developerVol, ratio],
    ]),
  )
  return stringify(lines, { header: true, columns: [...CSV_COLUMNS], escape_formulas: true })
}
