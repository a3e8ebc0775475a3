import { and, asc, desc, eq, max } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import type { Acknowledgement, FaltoPlan, OpenPlan } from '@/core/model'
import {
  cautionAcknowledgement,
  client,
  database,
  inTransaction,
  plan,
  planVersion,
  staff,
  type Transaction,
} from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { findClient } from '../clients'
import { checkPlanDocument, describeProblems } from '@/dto'
import { AppError, notFound, sentAgain } from '../errors'
import { isUuid } from '../http'
import { findPlan, lockPlan } from './find'
import { readHistory } from './operations'

/** A plan as far as it is one: what a client's record adds to it is joined by the workspace. */
export type StoredPlan = Omit<OpenPlan, 'canvas' | 'goal' | 'careCautions' | 'lastVisit' | 'nextTime' | 'seen'>

export async function openPlan(member: StaffMember, id: string): Promise<StoredPlan> {
  const found = await findPlan(member, id)
  const [owner] = await database()
    .select()
    .from(client)
    .where(and(eq(client.salonId, member.salonId), eq(client.id, found.clientId)))
  const { document, revision } = found
  const same = equal(document.head, owner!.head) && equal(document.hair, owner!.hair)
  return {
    id,
    client: { id: owner!.id, name: owner!.name, recordChanged: same ? 'same' : 'changed' },
    document,
    revision,
    history: await readHistory(database(), member, id),
    acknowledgements: (await acknowledgementsOf(member, id)).map(({ text: _, ...one }) => one),
  }
}

/** Who looked at which caution of a plan, with the words it had, the newest first. */
export async function acknowledgementsOf(
  member: StaffMember,
  planId: string,
): Promise<(Acknowledgement & { text: string })[]> {
  const rows = await database()
    .select({
      cautionId: cautionAcknowledgement.cautionId,
      text: cautionAcknowledgement.text,
      reason: cautionAcknowledgement.reason,
      by: staff.name,
      at: cautionAcknowledgement.at,
    })
    .from(cautionAcknowledgement)
    .innerJoin(
      staff,
      and(eq(staff.salonId, cautionAcknowledgement.salonId), eq(staff.id, cautionAcknowledgement.staffId)),
    )
    .where(and(eq(cautionAcknowledgement.salonId, member.salonId), eq(cautionAcknowledgement.planId, planId)))
    .orderBy(desc(cautionAcknowledgement.at), asc(cautionAcknowledgement.cautionId))
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }))
}

/** Takes a plan document in, as a new plan of a client. @throws AppError 422 naming the fields */
export async function importPlan(member: StaffMember, clientId: string, entry: unknown): Promise<{ id: string }> {
  requirePermission(member, 'write')
  await findClient(member, clientId)
  const checked = checkPlanDocument(entry)
  if (!checked.ok)
    throw new AppError(422, 'invalid', describeProblems(checked.problems), { problems: checked.problems })
  return insertPlan(member, clientId, checked.value, 'Imported')
}

export async function duplicatePlan(member: StaffMember, id: string): Promise<{ id: string }> {
  requirePermission(member, 'write')
  const found = await findPlan(member, id)
  return insertPlan(
    member,
    found.clientId,
    { ...found.document, name: `${found.document.name} (copy)`.slice(0, 120) },
    'Copied',
  )
}

/**
 * Keeps a document as a new plan with its first version.
 * @param id given by the device, so that what is sent twice counts once
 * @throws AppError 409 where the id is another client's plan's
 */
export async function insertPlan(
  member: StaffMember,
  clientId: string,
  document: FaltoPlan,
  label: string,
  id?: string,
): Promise<{ id: string }> {
  return inTransaction((tx) => insertPlanIn(tx, member, clientId, document, label, id))
}

/** As {@link insertPlan}, within a transaction. */
export async function insertPlanIn(
  tx: Transaction,
  member: StaffMember,
  clientId: string,
  document: FaltoPlan,
  label: string,
  id = newId(),
): Promise<{ id: string }> {
  const added = await tx
    .insert(plan)
    .values({ salonId: member.salonId, id, clientId, name: document.name, document })
    .onConflictDoNothing()
    .returning({ id: plan.id })
  if (added.length === 0) {
    const [kept] = await tx
      .select()
      .from(plan)
      .where(and(eq(plan.salonId, member.salonId), eq(plan.id, id)))
    sentAgain({ clientId }, kept)
    return { id }
  }
  await tx
    .insert(planVersion)
    .values({ salonId: member.salonId, planId: id, number: 1, label, document, staffId: member.id })
  return { id }
}

/** Keeps the plan as it is now as a version of its own. */
export async function keepVersion(member: StaffMember, id: string, label: string): Promise<{ number: number }> {
  requirePermission(member, 'write')
  return inTransaction(async (tx) => ({ number: await addVersion(tx, member, await lockPlan(tx, member, id), label) }))
}

/** Adds a version of a plan that is locked. @returns its number */
export async function addVersion(
  tx: Transaction,
  member: StaffMember,
  { id, document }: Pick<typeof plan.$inferSelect, 'id' | 'document'>,
  label: string,
): Promise<number> {
  const [last] = await tx
    .select({ number: max(planVersion.number) })
    .from(planVersion)
    .where(and(eq(planVersion.salonId, member.salonId), eq(planVersion.planId, id)))
  const number = (last?.number ?? 0) + 1
  await tx
    .insert(planVersion)
    .values({ salonId: member.salonId, planId: id, number, label, document, staffId: member.id })
  return number
}

export async function setPlanRemoved(member: StaffMember, id: string, removed: 'removed' | 'present'): Promise<object> {
  requirePermission(member, 'write')
  const [changed] = isUuid(id)
    ? await database()
        .update(plan)
        .set({ deletedAt: removed === 'removed' ? new Date() : null })
        .where(and(eq(plan.salonId, member.salonId), eq(plan.id, id)))
        .returning({ id: plan.id })
    : []
  if (!changed) throw notFound('plan')
  return {}
}

/** Equal as JSON, whatever the order of keys (JSONB does not keep it). */
function equal(one: object, other: object): boolean {
  const sorted = (value: object) => JSON.stringify(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
  return sorted(one) === sorted(other)
}
