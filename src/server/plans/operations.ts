import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm'
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer'
import type { FaltoPlan, History, PlanPatch, Stale } from '@/core/model'
import { database, plan, planEdit, staff, type Database, type Transaction } from '@/db'
import { require, type StaffMember } from '../auth'
import { checkPlanDocument, describeProblems, type OperationDto, type OperationsDto } from '../dto'
import { AppError, notFound } from '../errors'
import { isUuid } from '../http'

enablePatches()

/** How many edits a workspace is given to undo. */
const HISTORY_LENGTH = 200

/**
 * Carries out operations on a plan in one transaction: all or nothing. Operations already known by their id are not
 * repeated, so a device may send again after a lost answer.
 * @throws AppError 409 when the plan has moved on; the answer holds what a merge needs
 */
export async function applyOperations(
  member: StaffMember,
  planId: string,
  entry: OperationsDto,
): Promise<{ revision: number }> {
  require(member, 'write')
  return database().transaction(async (tx) => {
    const current = await lockPlan(tx, member, planId)
    const known = new Set(
      (
        await tx
          .select({ id: planEdit.id })
          .from(planEdit)
          .where(
            and(
              inPlan(member, planId),
              inArray(
                planEdit.id,
                entry.operations.map(({ id }) => id),
              ),
            ),
          )
      ).map(({ id }) => id),
    )
    const fresh = entry.operations.filter(({ id }) => !known.has(id))
    if (current.revision !== entry.baseRevision + known.size) {
      throw new AppError(
        409,
        'stale',
        'This plan was changed in another window or by someone else since you loaded it.',
        {
          revision: current.revision,
          document: current.document,
          known: [...known],
          since: await editsSince(tx, member, planId, entry.baseRevision),
          history: await readHistory(tx, member, planId),
        } satisfies Stale,
      )
    }
    let { document, revision } = current
    for (const operation of fresh) {
      revision++
      document = await applyOne(tx, member, planId, document, operation, revision)
    }
    // What counts is where the operations lead: a slip that was undone before it could be saved is no reason to refuse.
    checked(document)
    if (fresh.length > 0)
      await tx
        .update(plan)
        .set({ document, revision, name: document.name, updatedAt: new Date() })
        .where(and(eq(plan.salonId, member.salonId), eq(plan.id, planId)))
    return { revision }
  })
}

async function applyOne(
  tx: Transaction,
  member: StaffMember,
  planId: string,
  document: FaltoPlan,
  operation: OperationDto,
  revision: number,
): Promise<FaltoPlan> {
  const { id, kind, label, target } = operation
  const row = { salonId: member.salonId, planId, revision, id, kind, label, staffId: member.id }
  if (kind === 'edit') {
    const [after, patches, inverse] = patched(document, operation.patches as Patch[])
    await tx
      .update(planEdit)
      .set({ state: 'discarded' })
      .where(and(inPlan(member, planId), eq(planEdit.state, 'undone')))
    await tx.insert(planEdit).values({ ...row, patches, inverse, state: 'applied' })
    return after
  }
  const wanted = kind === 'undo' ? 'applied' : 'undone'
  const [edit] = await tx
    .select()
    .from(planEdit)
    .where(and(inPlan(member, planId), eq(planEdit.kind, 'edit'), eq(planEdit.state, wanted)))
    .orderBy(kind === 'undo' ? desc(planEdit.revision) : asc(planEdit.revision))
    .limit(1)
  if (!edit || edit.id !== target)
    throw new AppError(422, 'nothing-to-undo', `There is nothing to ${kind} at this point. Load the plan again.`)
  const after = applyPatches(document, (kind === 'undo' ? edit.inverse : edit.patches) as Patch[]) as FaltoPlan
  await tx
    .update(planEdit)
    .set({ state: kind === 'undo' ? 'undone' : 'applied' })
    .where(and(inPlan(member, planId), eq(planEdit.revision, edit.revision)))
  await tx.insert(planEdit).values({ ...row, patches: [], inverse: [], target: edit.id, state: 'applied' })
  return after
}

/** The document after patches, with the server's own inverse. @throws AppError 422 when they do not fit the document */
function patched(document: FaltoPlan, patches: Patch[]): [FaltoPlan, PlanPatch[], PlanPatch[]] {
  try {
    const [after, forward, inverse] = produceWithPatches(document, (draft) => applyPatches(draft, patches))
    return [after as FaltoPlan, forward as PlanPatch[], inverse as PlanPatch[]]
  } catch {
    throw new AppError(422, 'invalid', 'This change does not fit the plan as it is. Load the plan again.')
  }
}

function checked(document: FaltoPlan): void {
  const result = checkPlanDocument(document)
  if (!result.ok) throw new AppError(422, 'invalid', describeProblems(result.problems), { problems: result.problems })
}

async function lockPlan(tx: Transaction, member: StaffMember, planId: string) {
  const [current] = isUuid(planId)
    ? await tx
        .select()
        .from(plan)
        .where(and(eq(plan.salonId, member.salonId), eq(plan.id, planId)))
        .for('update')
    : []
  if (!current || current.deletedAt) throw notFound('plan')
  return current
}

const inPlan = (member: StaffMember, planId: string) =>
  and(eq(planEdit.salonId, member.salonId), eq(planEdit.planId, planId))

/** What others did after a revision, oldest first. */
async function editsSince(tx: Transaction, member: StaffMember, planId: string, revision: number) {
  const rows = await tx
    .select({ kind: planEdit.kind, label: planEdit.label, patches: planEdit.patches, by: staff.name, at: planEdit.at })
    .from(planEdit)
    .innerJoin(staff, and(eq(staff.salonId, planEdit.salonId), eq(staff.id, planEdit.staffId)))
    .where(and(inPlan(member, planId), gt(planEdit.revision, revision)))
    .orderBy(asc(planEdit.revision))
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }))
}

/** Edits to undo and redo, for a workspace that opens the plan. */
export async function readHistory(db: Database | Transaction, member: StaffMember, planId: string): Promise<History> {
  const rows = await db
    .select({
      id: planEdit.id,
      label: planEdit.label,
      patches: planEdit.patches,
      inverse: planEdit.inverse,
      state: planEdit.state,
      by: staff.name,
      at: planEdit.at,
    })
    .from(planEdit)
    .innerJoin(staff, and(eq(staff.salonId, planEdit.salonId), eq(staff.id, planEdit.staffId)))
    .where(and(inPlan(member, planId), eq(planEdit.kind, 'edit'), inArray(planEdit.state, ['applied', 'undone'])))
    .orderBy(desc(planEdit.revision))
    .limit(HISTORY_LENGTH)
  const records = rows.reverse()
  const pick = (state: 'applied' | 'undone') =>
    records
      .filter((row) => row.state === state)
      .map(({ state: _state, at, ...record }) => ({ ...record, at: at.toISOString() }))
  return { undo: pick('applied'), redo: pick('undone') }
}
