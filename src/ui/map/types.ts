import type { FaltoPlan } from '@/core/model'

/** What the server says about plans (see server/plans). */
export interface PlanPatch {
  op: 'add' | 'remove' | 'replace'
  path: (string | number)[]
  value?: unknown
}

export interface EditRecord {
  id: string
  label: string
  patches: PlanPatch[]
  inverse: PlanPatch[]
  by: string
  at: string
}

export interface Operation {
  id: string
  kind: 'edit' | 'undo' | 'redo'
  label: string
  patches: PlanPatch[]
  target?: string
}

export interface Acknowledgement {
  cautionId: string
  reason: string
  by: string
  at: string
}

export interface OpenPlan {
  id: string
  client: { id: string; name: string; recordChanged: 'same' | 'changed' }
  document: FaltoPlan
  revision: number
  history: { undo: EditRecord[]; redo: EditRecord[] }
  acknowledgements: Acknowledgement[]
}

/** The answer to a save that came too late: what a merge needs. */
export interface Stale {
  revision: number
  document: FaltoPlan
  known: string[]
  since: { kind: 'edit' | 'undo' | 'redo'; label: string; patches: PlanPatch[]; by: string; at: string }[]
  history: { undo: EditRecord[]; redo: EditRecord[] }
}
