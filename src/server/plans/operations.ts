import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm'
import type { FaltoPlan, History, Stale } from '@/core/model'
import { inTransaction, plan, planEditMade, staff, type Reader, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import { checkPlanDocument, describeProblems, type OperationsDto } from '@/dto'
import { AppError } from '../errors'
import { unfold } from '../folding'
import { lockPlan } from './find'
import { applyOne, keepLedger, openLedger } from './ledger'

const ofPlan = (member: StaffMember, planId: string) =>
  and(eq(planEditMade.salonId, member.salonId), eq(planEditMade.planId, planId))

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
  requirePermission(member, 'write')
  return inTransaction(async (tx) => {
    const current = await lockPlan(tx, member, planId)
    const ids = entry.operations.map(({ id }) => id)
    const kept = await tx
      .select({ id: planEditMade.id })
      .from(planEditMade)
      .where(and(ofPlan(member, planId), inArray(planEditMade.id, ids)))
    const known = new Set(kept.map(({ id }) => id))
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
    if (fresh.length === 0) return { revision: current.revision }
    if (current.folded) await unfold(tx, 'plan', member.salonId, planId)
    const ledger = await openLedger(tx, member, planId, fresh)
    let { document, revision } = current
    for (const operation of fresh) {
      revision++
      const row = { salonId: member.salonId, planId, revision, staffId: member.id }
      document = applyOne(ledger, document, operation, row)
    }
    // What counts is where the operations lead: a slip that was undone before it could be saved is no reason to refuse.
    checked(document, current.document)
    await keepLedger(tx, member, planId, ledger)
    await tx
      .update(plan)
      .set({ document, revision, name: document.name, updatedAt: new Date() })
      .where(and(eq(plan.salonId, member.salonId), eq(plan.id, planId)))
    return { revision }
  })
}

function checked(document: FaltoPlan, passed: FaltoPlan): void {
  const result = checkPlanDocument(document, passed)
  if (!result.ok) throw new AppError(422, 'invalid', describeProblems(result.problems), { problems: result.problems })
}

/** What others did after a revision, oldest first. */
async function editsSince(tx: Transaction, member: StaffMember, planId: string, revision: number) {
  const rows = await tx
    .select({
      kind: planEditMade.kind,
      label: planEditMade.label,
      patches: planEditMade.patches,
      by: staff.name,
      at: planEditMade.at,
    })
    .from(planEditMade)
    .innerJoin(staff, and(eq(staff.salonId, planEditMade.salonId), eq(staff.id, planEditMade.staffId)))
    .where(and(ofPlan(member, planId), gt(planEditMade.revision, revision)))
    .orderBy(asc(planEditMade.revision))
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }))
}

/** Edits to undo and redo, for a workspace that opens the plan. */
export async function readHistory(db: Reader, member: StaffMember, planId: string): Promise<History> {
  const rows = await db
    .select({
      id: planEditMade.id,
      label: planEditMade.label,
      patches: planEditMade.patches,
      inverse: planEditMade.inverse,
      state: planEditMade.state,
      by: staff.name,
      at: planEditMade.at,
    })
    .from(planEditMade)
    .innerJoin(staff, and(eq(staff.salonId, planEditMade.salonId), eq(staff.id, planEditMade.staffId)))
    .where(
      and(ofPlan(member, planId), eq(planEditMade.kind, 'edit'), inArray(planEditMade.state, ['applied', 'undone'])),
    )
    .orderBy(desc(planEditMade.revision))
    .limit(HISTORY_LENGTH)
  const records = rows.reverse()
  const pick = (state: 'applied' | 'undone') =>
    records
      .filter((row) => row.state === state)
      .map(({ state: _state, at, ...record }) => ({ ...record, at: at.toISOString() }))
  return { undo: pick('applied'), redo: pick('undone') }
}
