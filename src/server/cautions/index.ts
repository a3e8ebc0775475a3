/** What a plan and its client's record ask to be looked at, and who looked. */
import { and, eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import type { Acknowledgement, Caution } from '@/core/model'
import { cautionAcknowledgement, database, type plan, type Reader } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { careCautionsOf } from '../care'
import { findClient } from '../clients'
import { computing } from '../computing'
import { newestConsultation } from '../consultations'
import type { AcknowledgementDto } from '@/dto'
import { AppError } from '../errors'
import { findPlan } from '../plans'

type Plan = Pick<typeof plan.$inferSelect, 'id' | 'clientId' | 'document' | 'revision'>

/** Everything a plan raises now, its client's care checks included. */
async function raisedBy(member: StaffMember, { clientId, document }: Plan): Promise<Caution[]> {
  const owner = await findClient(member, clientId)
  const newest = await newestConsultation(member, clientId)
  const [planned, care] = await Promise.all([
    computing.cautions(document, newest?.canvas),
    careCautionsOf(member, owner),
  ])
  return [...planned, ...care]
}

/** Cautions of a plan that nobody has acknowledged yet. */
export async function waitingCautions(member: StaffMember, plan: Plan): Promise<Caution[]> {
  const [raised, known] = await Promise.all([
    raisedBy(member, plan),
    database()
      .select({ cautionId: cautionAcknowledgement.cautionId })
      .from(cautionAcknowledgement)
      .where(and(eq(cautionAcknowledgement.salonId, member.salonId), eq(cautionAcknowledgement.planId, plan.id))),
  ])
  const seen = new Set(known.map(({ cautionId }) => cautionId))
  return raised.filter(({ id, severity }) => severity === 'caution' && !seen.has(id))
}

/** Keeps that a member of staff has looked at a caution. */
export async function keepAcknowledgement(
  db: Reader,
  member: StaffMember,
  { id: planId, revision }: Pick<Plan, 'id' | 'revision'>,
  { id: cautionId, text }: Caution,
  reason: string,
  at = new Date(),
): Promise<Acknowledgement> {
  await db.insert(cautionAcknowledgement).values({
    salonId: member.salonId,
    planId,
    id: newId(),
    cautionId,
    text,
    reason,
    planRevision: revision,
    staffId: member.id,
    at,
  })
  return { cautionId, reason, by: member.name, at: at.toISOString() }
}

/** Records that a member of staff has looked at a caution that this plan raises now. */
export async function acknowledgeCaution(
  member: StaffMember,
  id: string,
  { cautionId, reason }: AcknowledgementDto,
): Promise<Acknowledgement> {
  requirePermission(member, 'acknowledge')
  const found = await findPlan(member, id)
  const caution = (await raisedBy(member, found)).find((candidate) => candidate.id === cautionId)
  if (!caution) throw new AppError(422, 'invalid', 'This plan does not raise that caution any more.')
  return keepAcknowledgement(database(), member, found, caution, reason)
}
