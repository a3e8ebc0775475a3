import { and, desc, eq, isNull, inArray } from 'drizzle-orm'
import type { Canvas, Consultation, DoneVisit, OpenConsultation } from '@/core/model'
import { consultation, database, planVersion, staff, visit, type Database, type Transaction } from '@/db'
import type { StaffMember } from '../auth'
import { findClient } from '../clients'
import { today } from '../days'

type Reader = Database | Transaction

const record = {
  number: consultation.number,
  kind: consultation.kind,
  recordedOn: consultation.recordedOn,
  hair: consultation.hair,
  canvas: consultation.canvas,
  goal: consultation.goal,
  trimmedCm: consultation.trimmedCm,
  corrections: consultation.corrections,
  revision: consultation.revision,
  by: staff.name,
  at: consultation.at,
}
const ofClient = (member: StaffMember, clientId: string) =>
  and(eq(consultation.salonId, member.salonId), eq(consultation.clientId, clientId))
const writtenBy = and(eq(staff.salonId, consultation.salonId), eq(staff.id, consultation.staffId))

/** The newest records of a client, newest first. */
export async function newestConsultations(
  db: Reader,
  member: StaffMember,
  clientId: string,
  count: number,
): Promise<Consultation[]> {
  const rows = await db
    .select(record)
    .from(consultation)
    .innerJoin(staff, writtenBy)
    .where(ofClient(member, clientId))
    .orderBy(desc(consultation.number))
    .limit(count)
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }))
}

export const newestConsultation = async (member: StaffMember, clientId: string): Promise<Consultation | undefined> =>
  (await newestConsultations(database(), member, clientId, 1))[0]

/** The hair of several clients as it was recorded last, by client; those without a record are left out. */
export async function newestCanvases(
  member: StaffMember,
  clientIds: readonly string[],
): Promise<ReadonlyMap<string, Canvas>> {
  if (clientIds.length === 0) return new Map()
  const rows = await database()
    .selectDistinctOn([consultation.clientId], { clientId: consultation.clientId, canvas: consultation.canvas })
    .from(consultation)
    .where(and(eq(consultation.salonId, member.salonId), inArray(consultation.clientId, [...clientIds])))
    .orderBy(consultation.clientId, desc(consultation.number))
  return new Map(rows.map(({ clientId, canvas }) => [clientId, canvas]))
}

export async function lastVisitOf(member: StaffMember, clientId: string): Promise<DoneVisit | null> {
  const [found] = await database()
    .select({ id: visit.id, on: visit.on, document: planVersion.document })
    .from(visit)
    .innerJoin(
      planVersion,
      and(
        eq(planVersion.salonId, visit.salonId),
        eq(planVersion.planId, visit.planId),
        eq(planVersion.number, visit.planVersion),
      ),
    )
    .where(and(eq(visit.salonId, member.salonId), eq(visit.clientId, clientId), isNull(visit.withdrawnAt)))
    .orderBy(desc(visit.on), desc(visit.createdAt))
    .limit(1)
  return found ?? null
}

export async function openConsultation(member: StaffMember, clientId: string): Promise<OpenConsultation> {
  const owner = await findClient(member, clientId)
  const [newest, lastVisit, history] = await Promise.all([
    newestConsultations(database(), member, clientId, 2),
    lastVisitOf(member, clientId),
    database()
      .select({
        number: consultation.number,
        kind: consultation.kind,
        recordedOn: consultation.recordedOn,
        by: staff.name,
        corrections: consultation.corrections,
      })
      .from(consultation)
      .innerJoin(staff, writtenBy)
      .where(ofClient(member, clientId))
      .orderBy(desc(consultation.number)),
  ])
  return {
    client: { id: owner.id, name: owner.name, note: owner.note },
    head: owner.head,
    hair: owner.hair,
    today: today(member),
    latest: newest[0] ?? null,
    before: newest[1] ?? null,
    lastVisit,
    history,
  }
}
