import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { DueClient } from '@/core/record/visit'
import { careCheck, client, database, message, plan, visit } from '@/db'
import type { StaffMember } from '../auth'
import { today } from '../days'
import { catchUpWholly } from './summary'

/** Clients in one answer, those due first. Our choice. */
const MOST_DUE = 200

/** Who is due again: by the newest visit of each client, the longest due first; with what is booked already. */
export async function dueIn(member: StaffMember): Promise<{ today: string; due: DueClient[] }> {
  await catchUpWholly(member)
  const on = today(member)
  const newest = database()
    .selectDistinctOn([visit.clientId], {
      clientId: visit.clientId,
      id: visit.id,
      planId: visit.planId,
      on: visit.on,
      figures: visit.figures,
    })
    .from(visit)
    .where(and(eq(visit.salonId, member.salonId), isNull(visit.withdrawnAt)))
    .orderBy(visit.clientId, sql`${visit.on} desc`, sql`${visit.createdAt} desc`)
    .as('newest')
  const booked = sql<string | null>`(
    select min(booking."on")::text from booking join plan as own on own.salon_id = booking.salon_id and own.id = booking.plan_id
    where booking.salon_id = ${member.salonId} and own.client_id = ${client.id} and booking."on" >= ${on})`
  const allergyTest = sql<string | null>`(
    select max(${careCheck.on})::text from ${careCheck}
    where ${careCheck.salonId} = ${member.salonId} and ${careCheck.clientId} = ${client.id}
      and ${careCheck.kind} = 'allergyAlert' and ${careCheck.result} = 'clear')`
  const writtenAt = sql<string | null>`(
    select max(${message.at})::date::text from ${message}
    where ${message.salonId} = ${member.salonId} and ${message.clientId} = ${client.id})`
  const rows = await database()
    .select({
      clientId: client.id,
      clientName: client.name,
      visitId: newest.id,
      on: newest.on,
      name: plan.name,
      figures: newest.figures,
      booked,
      allergyTest,
      writtenAt,
    })
    .from(newest)
    .innerJoin(
      client,
      and(eq(client.salonId, member.salonId), eq(client.id, newest.clientId), isNull(client.deletedAt)),
    )
    .innerJoin(plan, and(eq(plan.salonId, member.salonId), eq(plan.id, newest.planId)))
    .orderBy(asc(sql`${newest.figures}#>>'{due,next,to}'`), asc(client.name))
    .limit(MOST_DUE)
  return {
    today: on,
    due: rows.flatMap(({ clientId, clientName, figures, ...row }) =>
      figures ? [{ ...row, client: { id: clientId, name: clientName }, ...figures.due }] : [],
    ),
  }
}
