import type { Caution } from './caution'
import type { Canvas, CareRecord, ConsultationKind, Correction, Goal } from './consultation'
import type { HairState, SeenCells } from './hair'
import type { HeadMeasures } from './head'
import type { FaltoPlan } from './plan'
import type { ImportProblem } from './shelf'

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
  /** What the client's record asks to be looked at today. */
  careCautions: Caution[]
  /** The hair as it was recorded last, and what is wished for. */
  canvas: Canvas | null
  goal: Goal | null
  /** The newest plan that was carried out on this client. */
  lastVisit: DoneVisit | null
  /** What earlier visits asked to be done otherwise, newest first. */
  nextTime: VisitSummaryLine[]
  /** What is seen of each part of such hair, where the server has counted it: a device takes a second for it. */
  seen: SeenCells | null
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
  /** Plans that wait for her, as her page lists them. */
  plans: number
  /** The day of her last visit, if there was one. */
  lastVisitOn: string | null
}

export interface ClientRecord {
  id: string
  name: string
  note: string
  head: HeadMeasures
  hair: HairState
  revision: number
  plans: PlanSummary[]
  /** Visits that are in the record, newest first. */
  visits: VisitSummaryLine[]
}

/** A visit in short, with what its colourist wants done otherwise next time. */
export interface VisitSummaryLine {
  id: string
  on: string
  name: string
  by: string
  change: string
}

/** A plan that was carried out, as it was then. */
export interface DoneVisit {
  id: string
  on: string
  document: FaltoPlan
}

/** One record of hair and wish, as it is sent to be kept. */
export interface ConsultationEntry {
  recordedOn: string
  hair: HairState
  canvas: Canvas
  goal: Goal
  /** Cut off the ends since the record before, cm. */
  trimmedCm: number
}

export interface Consultation extends ConsultationEntry {
  /** Counted from 1, client by client. */
  number: number
  kind: ConsultationKind
  /** Counts the saves of this record. */
  revision: number
  /** What the eye changed of the prediction from the record before. */
  corrections: Correction[]
  by: string
  at: string
}

/** Which record a save was based on: the newest one then, or none. */
export interface ConsultationBase {
  number: number
  revision: number
}

/** Everything the consultation needs to open. */
export interface OpenConsultation {
  client: { id: string; name: string; note: string }
  head: HeadMeasures
  /** The hair in short, where no record is there yet. */
  hair: HairState
  today: string
  /** Newest record, and the one before it, from which today's was predicted. */
  latest: Consultation | null
  before: Consultation | null
  lastVisit: DoneVisit | null
  history: { number: number; kind: ConsultationKind; recordedOn: string; by: string; corrections: Correction[] }[]
}

export interface OpenCare extends CareRecord {
  client: { id: string; name: string }
  today: string
  hair: HairState
}

/** When a picture of a visit was taken, and from where. */
export const PICTURE_MOMENTS = ['before', 'after'] as const
export const PICTURE_SIDES = ['front', 'left', 'right', 'back', 'top'] as const

/** The visit that a picture belongs to. */
export interface PictureOf {
  visitId: string
  moment: (typeof PICTURE_MOMENTS)[number]
  side: (typeof PICTURE_SIDES)[number]
}

export interface PictureSummary {
  /** Null where it belongs to no visit. */
  of: PictureOf | null
  id: string
  name: string
  widthPx: number
  heightPx: number
  bytes: number
  sha256: string
  by: string
  at: string
}

/** What a table of clients would bring or brought. With problems nothing is taken in. */
export interface TableReport {
  rows: number
  problems: ImportProblem[]
  committed: boolean
}
