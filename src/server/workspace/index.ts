import { v7 as newId } from 'uuid'
import type { Acknowledgement, OpenPlan } from '@/core/model'
import { computePlan } from '@/core/pipeline'
import { cautionAcknowledgement, database } from '@/db'
import { require, type StaffMember } from '../auth'
import { careCautionsOf } from '../care'
import { findClient } from '../clients'
import { lastVisitOf } from '../consultations'
import type { AcknowledgementDto } from '../dto'
import { AppError } from '../errors'
import { findPlan, openPlan } from '../plans'

/** An open plan joined with what its client's record adds to it. */

export async function openWorkspace(member: StaffMember, id: string): Promise<OpenPlan> {
  const open = await openPlan(member, id)
  const owner = await findClient(member, open.client.id)
  const [careCautions, lastVisit] = await Promise.all([careCautionsOf(member, owner), lastVisitOf(member, owner.id)])
  return { ...open, careCautions, lastVisit }
}

/** Records that a member of staff has looked at a caution that this plan raises now. */
export async function acknowledgeCaution(member: StaffMember, id: string, entry: AcknowledgementDto): Promise<Acknowledgement> {
  require(member, 'acknowledge')
  const found = await findPlan(member, id)
  const owner = await findClient(member, found.clientId)
  const raised = [...computePlan(found.document).cautions, ...(await careCautionsOf(member, owner))]
  const caution = raised.find((candidate) => candidate.id === entry.cautionId)
  if (!caution) throw new AppError(422, 'invalid', 'This plan does not raise that caution any more.')
  const at = new Date()
  await database().insert(cautionAcknowledgement).values({
    salonId: member.salonId,
    planId: id,
    id: newId(),
    cautionId: caution.id,
    text: caution.text,
    reason: entry.reason,
    planRevision: found.revision,
    staffId: member.id,
    at,
  })
  return { cautionId: caution.id, reason: entry.reason, by: member.name, at: at.toISOString() }
}
