import { applyPatches, produce, type Patch } from 'immer'
import { v7 as newId } from 'uuid'
import type { EditRecord, FaltoPlan, Operation } from '@/core/model'
import { differences } from '../differences'
import { MERGE_WINDOW } from '../hooks/saving'
import type { PlanState, SaveState } from './store'

/** What edits change of an open plan. */
export type Edited = Pick<PlanState, 'document' | 'undo' | 'redo' | 'unsent' | 'save'>

/** The edit that the next one may merge with, and the document before it. `at` in ms. */
export interface LastEdit {
  key: string
  at: number
  base: FaltoPlan
}

export interface Edit {
  /** Of the step of undo; made from the document before it where it says what changed into what. */
  label: string | ((before: FaltoPlan) => string)
  /** Edits with one key in quick succession (a finger on a stepper) become one step. */
  key: string
  recipe: (draft: FaltoPlan) => void
}

const WAITING: SaveState = { kind: 'waiting' }
const waiting = (save: SaveState, unsent: readonly Operation[]): SaveState =>
  unsent.length === 0 || save.kind === 'stale' || save.kind === 'offline' ? save : WAITING

const applied = (document: FaltoPlan, patches: EditRecord['patches']): FaltoPlan =>
  applyPatches(document, patches as Patch[]) as FaltoPlan

const recordOf = ({ id, label, patches }: Operation, after: FaltoPlan, before: FaltoPlan): EditRecord => ({
  id,
  label,
  patches,
  inverse: differences(after, before),
  by: 'you',
  at: new Date().toISOString(),
})

/** A plan after an edit, and what the next edit may merge with; nothing where this one came to nothing. */
export function edited(
  state: Edited,
  { label, key, recipe }: Edit,
  lastEdit: LastEdit | undefined,
): { next: Edited; lastEdit: LastEdit | undefined } {
  const now = Date.now()
  const merging = lastEdit?.key === key && now - lastEdit.at < MERGE_WINDOW && isNewest(state)
  const document = produce(state.document, recipe)
  const base = merging ? lastEdit.base : state.document
  const patches = differences(base, document)
  const operation: Operation = {
    id: newId(),
    kind: 'edit',
    label: typeof label === 'string' ? label : label(base),
    patches,
  }
  const undo = merging ? state.undo.slice(0, -1) : state.undo
  const before = merging ? state.unsent.slice(0, -1) : state.unsent
  const same = patches.length === 0
  const unsent = same ? before : [...before, operation]
  return {
    next: {
      document,
      undo: same ? undo : [...undo, recordOf(operation, document, base)],
      redo: same ? state.redo : [],
      unsent,
      save: waiting(state.save, unsent),
    },
    lastEdit: same ? undefined : { key, at: now, base },
  }
}

/** Whether the newest step of undo is still to be sent, so that it can change. */
function isNewest({ undo, unsent }: Edited): boolean {
  const last = undo.at(-1)
  return last !== undefined && unsent.at(-1)?.id === last.id
}

/** A plan after a step back or forth; nothing where there is none. */
export function stepped(state: Edited, kind: 'undo' | 'redo'): Edited | undefined {
  const back = kind === 'undo'
  const record = back ? state.undo.at(-1) : state.redo[0]
  if (!record) return undefined
  const unsent: Operation[] = [
    ...state.unsent,
    { id: newId(), kind, label: record.label, patches: [], target: record.id },
  ]
  return {
    document: applied(state.document, back ? record.inverse : record.patches),
    undo: back ? state.undo.slice(0, -1) : [...state.undo, record],
    redo: back ? [record, ...state.redo] : state.redo.slice(1),
    unsent,
    save: waiting(state.save, unsent),
  }
}

/** A plan with an operation of an earlier time on top. @throws Error where what it is about is gone */
export function replayed(state: Edited, operation: Operation): Edited {
  const document = applied(state.document, operation.patches)
  const unsent = [...state.unsent, operation]
  return {
    document,
    undo: [...state.undo, recordOf(operation, document, state.document)],
    redo: [],
    unsent,
    save: waiting(state.save, unsent),
  }
}
