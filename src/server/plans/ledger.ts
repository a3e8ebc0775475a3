import { and, asc, desc, eq, inArray } from 'drizzle-orm'
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer'
import type { FaltoPlan, PlanPatch } from '@/core/model'
import { planEdit, type Transaction } from '@/db'
import type { StaffMember } from '../auth'
import type { OperationDto } from '@/dto'
import { AppError } from '../errors'

enablePatches()

type Row = typeof planEdit.$inferInsert
type Edit = Pick<Row, 'id' | 'revision' | 'patches' | 'inverse'>
type State = Row['state']

/**
 * What can be undone and redone while operations are carried out, the next one last. Everything is worked out here and
 * written by {@link keepLedger} in a handful of statements, however many operations there are.
 */
export interface Ledger {
  applied: Edit[]
  undone: Edit[]
  /** Rows to be added. */
  fresh: Map<number, Row>
  /** What earlier rows come to, by revision. */
  changed: Map<number, State>
  /** Whether what was undone before can no longer be redone. */
  discards: 'nothing' | 'undone'
}

const inPlan = (member: StaffMember, planId: string) =>
  and(eq(planEdit.salonId, member.salonId), eq(planEdit.planId, planId))

/** The ends of both stacks, as deep as so many operations can reach. */
export async function openLedger(
  tx: Transaction,
  member: StaffMember,
  planId: string,
  operations: readonly OperationDto[],
): Promise<Ledger> {
  const reach = operations.filter(({ kind }) => kind !== 'edit').length
  const stack = async (state: 'applied' | 'undone'): Promise<Edit[]> => {
    if (reach === 0) return []
    const rows = await tx
      .select({
        id: planEdit.id,
        revision: planEdit.revision,
        patches: planEdit.patches,
        inverse: planEdit.inverse,
      })
      .from(planEdit)
      .where(and(inPlan(member, planId), eq(planEdit.kind, 'edit'), eq(planEdit.state, state)))
      .orderBy(state === 'applied' ? desc(planEdit.revision) : asc(planEdit.revision))
      .limit(reach)
    return rows.reverse()
  }
  return {
    applied: await stack('applied'),
    undone: await stack('undone'),
    fresh: new Map(),
    changed: new Map(),
    discards: 'nothing',
  }
}

/** The document after one operation. @throws AppError 422 when it does not fit */
export function applyOne(
  ledger: Ledger,
  document: FaltoPlan,
  { id, kind, label, target, patches }: OperationDto,
  row: Pick<Row, 'salonId' | 'planId' | 'revision' | 'staffId'>,
): FaltoPlan {
  const common = { ...row, id, kind, label }
  if (kind === 'edit') {
    const [after, forward, inverse] = patched(document, patches as Patch[])
    for (const edit of ledger.undone) settle(ledger, edit, 'discarded')
    ledger.undone = []
    ledger.discards = 'undone'
    const edit = { ...common, patches: forward, inverse, state: 'applied' as const }
    ledger.fresh.set(row.revision, edit)
    ledger.applied.push(edit)
    return after
  }
  const [from, to] = kind === 'undo' ? [ledger.applied, ledger.undone] : [ledger.undone, ledger.applied]
  const edit = from.pop()
  if (!edit || edit.id !== target)
    throw new AppError(422, 'nothing-to-undo', `There is nothing to ${kind} at this point. Load the plan again.`)
  to.push(edit)
  settle(ledger, edit, kind === 'undo' ? 'undone' : 'applied')
  ledger.fresh.set(row.revision, { ...common, patches: [], inverse: [], target: edit.id, state: 'applied' })
  return applyPatches(document, (kind === 'undo' ? edit.inverse : edit.patches) as Patch[]) as FaltoPlan
}

function settle(ledger: Ledger, { revision }: Edit, state: State): void {
  const fresh = ledger.fresh.get(revision)
  if (fresh) fresh.state = state
  else ledger.changed.set(revision, state)
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

/** Writes what operations came to. */
export async function keepLedger(tx: Transaction, member: StaffMember, planId: string, ledger: Ledger): Promise<void> {
  const set = (state: State, where: Parameters<typeof and>[0]) =>
    tx
      .update(planEdit)
      .set({ state })
      .where(and(inPlan(member, planId), where))
  if (ledger.discards === 'undone') await set('discarded', eq(planEdit.state, 'undone'))
  for (const state of ['applied', 'undone', 'discarded'] as const) {
    const revisions = [...ledger.changed].flatMap(([revision, own]) => (own === state ? [revision] : []))
    if (revisions.length > 0) await set(state, inArray(planEdit.revision, revisions))
  }
  await tx.insert(planEdit).values([...ledger.fresh.values()])
}
