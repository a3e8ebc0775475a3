import { v7 as newId } from 'uuid'
import { daysBetween, NOT_YET_COME, predictCanvas, startingCanvas } from '@/core/hair/hairRecord'
import { createHead } from '@/core/scalp/head'
import { startingGoal } from '@/core/judgement/feasibility'
import type { ToldVisit } from '@/core/record/visit'
import type { FoldOptions } from '@/core/time/fold'
import { consultation, inTransaction, visit, type plan, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { computing } from '../computing'
import { latestToday } from '../days'
import type { DoneDto } from '@/dto'
import { invalidAt } from '../errors'
import { addVersion, lockPlan } from '../plans'
import { newestConsultations } from './read'
import { keepHairInShort, lockClient } from './save'

/** A plan that was carried out, as it was then. */
export interface CarriedOut {
  plan: Pick<typeof plan.$inferSelect, 'id' | 'document'>
  clientId: string
  on: string
  /** What came of it otherwise than meant. */
  came?: FoldOptions['came']
  /** Told afterwards; then it may lie before the newest record, which knows the hair better and stays. */
  told?: ToldVisit
}

/**
 * Records that a plan was carried out: pins its version as a visit, and predicts the hair after it from the newest
 * record.
 * @throws AppError 422 when the day lies in the future or before the newest record
 */
export async function markDone(member: StaffMember, planId: string, { on }: DoneDto): Promise<{ visitId: string }> {
  requirePermission(member, 'write')
  return inTransaction(async (tx) => {
    const found = await lockPlan(tx, member, planId)
    return { visitId: await recordDone(tx, member, { plan: found, clientId: found.clientId, on }) }
  })
}

/** @throws AppError 422 for a day that has begun nowhere yet */
export function refuseDayToCome(on: string): void {
  if (daysBetween(latestToday(), on) > 0) throw invalidAt('on', NOT_YET_COME)
}

/** As {@link markDone}, within a transaction that has locked the plan. @returns id of the visit */
export async function recordDone(
  tx: Transaction,
  member: StaffMember,
  { plan, clientId, on, came, told }: CarriedOut,
): Promise<string> {
  refuseDayToCome(on)
  const owner = await findClient(member, clientId, tx)
  const visitId = newId()
  await lockClient(tx, member, owner.id)
  const [newest] = await newestConsultations(tx, member, owner.id, 1)
  const isOlder = newest !== undefined && daysBetween(newest.recordedOn, on) < 0
  if (isOlder && !told)
    throw invalidAt('on', `The newest record is of ${newest.recordedOn}. Use that day or a later one.`)
  const planVersion = await addVersion(tx, member, plan, `Done on ${on}`)
  await tx.insert(visit).values({
    salonId: member.salonId,
    clientId: owner.id,
    id: visitId,
    planId: plan.id,
    planVersion,
    on,
    staffId: member.id,
    told,
  })
  if (isOlder) return visitId
  const hair = { ...(newest?.hair ?? owner.hair), weeksSinceColour: 0 }
  const today = newest
    ? predictCanvas(newest.canvas, newest.hair, { on })
    : startingCanvas(createHead(owner.head), owner.hair, on)
  const canvas = await computing.after(plan.document, { canvas: today, visitId, on, came })
  await tx.insert(consultation).values({
    salonId: member.salonId,
    clientId: owner.id,
    number: (newest?.number ?? 0) + 1,
    kind: 'done',
    recordedOn: on,
    hair,
    canvas,
    goal: newest?.goal ?? startingGoal(owner.hair),
    trimmedCm: 0,
    corrections: [],
    staffId: member.id,
  })
  await keepHairInShort(tx, member, owner.id, { hair, canvas })
  return visitId
}
