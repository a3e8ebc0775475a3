import type { HairState } from './hair'
import type { HeadMeasures } from './head'
import type { FaltoPlan } from './plan'

/** What server and interface say to each other. Times are ISO 8601 in UTC. */

/** One change of a document: where, and what stands there afterwards. */
export interface PlanPatch {
  op: 'add' | 'remove' | 'replace'
  path: (string | number)[]
  value?: unknown
}

/** Something done to a plan. `id` is given by the device, so that an operation sent twice counts once. */
export interface Operation {
  id: string
  kind: 'edit' | 'undo' | 'redo'
  label: string
  /** `edit`: what changes. */
  patches: PlanPatch[]
  /** `undo` and `redo`: the edit that is meant. */
  target?: string
}

/** An edit as the workspace keeps it for undo. */
export interface EditRecord {
  id: string
  label: string
  patches: PlanPatch[]
  inverse: PlanPatch[]
  by: string
  at: string
}

/** Edits that can be undone (last one last) and redone (next one first). */
export interface History {
  undo: EditRecord[]
  redo: EditRecord[]
}

/** The answer to a save that came too late: what a merge needs. */
export interface Stale {
  revision: number
  document: FaltoPlan
  /** Operations of this save that the server had already. */
  known: string[]
  since: (Pick<Operation, 'kind' | 'label' | 'patches'> & { by: string; at: string })[]
  history: History
}

/** Who looked at which caution, when, and why it is all right to go on. */
export interface Acknowledgement {
  cautionId: string
  reason: string
  by: string
  at: string
}

/** Everything a workspace needs to open a plan. */
export interface OpenPlan {
  id: string
  client: { id: string; name: string; recordChanged: 'same' | 'changed' }
  document: FaltoPlan
  revision: number
  history: History
  acknowledgements: Acknowledgement[]
}

export interface PlanSummary {
  id: string
  name: string
  updatedAt: string
}

export interface ClientSummary {
  id: string
  name: string
  hair: HairState
  plans: number
  /** Last change to a plan, if there is one. */
  lastPlanAt: string | null
}

export interface ClientRecord {
  id: string
  name: string
  note: string
  head: HeadMeasures
  hair: HairState
  revision: number
  plans: PlanSummary[]
}
