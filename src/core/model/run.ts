import type { ProductKind } from './catalogue'
import type { StrandSpot } from './hair'
import type { Tone } from './plan'

/** What happens at the chair, as an append-only log. Times are ms since 1970, UTC. */
export const RUN_EVENT_KINDS = [
  'begun',
  'done',
  'skipped',
  'counted',
  'extra',
  'crossChecked',
  'handed',
  'seen',
  'reapplied',
  'misted',
  'warmed',
  'opened',
  'leftOut',
  'bowlEmpty',
  'bowlMixed',
  'thinned',
  'changed',
  'incident',
  'delayed',
  'replanned',
  'amended',
  'pace',
  'undone',
  'ended',
] as const
export type RunEventKind = (typeof RUN_EVENT_KINDS)[number]

export const INCIDENTS = ['bleed', 'brass', 'slipped', 'burning', 'breakage', 'other'] as const
export type Incident = (typeof INCIDENTS)[number]

/** A step of the rest of a visit as it is to go on from here. */
export interface ReplannedStep {
  stepId: string
  personId: string
}

/** One thing that somebody told the run. */
export interface RunEvent {
  /** UUIDv7, made by the device. */
  id: string
  kind: RunEventKind
  /**
   * The step it is about; for `seen`, `reapplied`, `misted`, `warmed`, `opened`, `crossChecked` and `incident` the step
   * that put the hair in.
   */
  stepId?: string | undefined
  /**
   * `counted`: how many pieces of the step are in or out by now. `extra`: how many unplanned pieces went in. `seen`:
   * the level read. `thinned`: developer put to a bowl, g. `changed`: strength of the developer from here on, vol.
   * `warmed`, `delayed`: for how long, min. `pace`: how many times as fast the demo's clock runs from here on.
   */
  value?: number | undefined
  /** `seen`: where along the strand; left out: all of it alike. */
  spot?: StrandSpot | undefined
  /** `leftOut`: the piece that is not put in. */
  pieceId?: string | undefined
  /** `extra`: what went on it, g, where that was told; where it is stands in the note. */
  grams?: number | undefined
  /** The formula that a bowl, or a change, is of. */
  formulaId?: string | undefined
  /** `handed`: who does the step now. */
  personId?: string | undefined
  /** `replanned`: what is left, in the order in which it is begun, and who does it. */
  steps?: ReplannedStep[] | undefined
  /** `replanned`: somebody who helps from here on. */
  joins?: { id: string; name: string } | undefined
  /** `amended`: a stage that was added, and the visit with it; only the server makes one. */
  amends?: object | undefined
  incident?: Incident | undefined
  note?: string | undefined
  /** `undone`: the event that no longer counts. */
  undoes?: string | undefined
  deviceId: string
  deviceSeq: number
  /** By the device's own clock, and what has to be added to it to come to the server's. */
  deviceTime: number
  offsetMs: number
}

/** As the server keeps it: in the order that holds for everybody. */
export interface KeptRunEvent extends RunEvent {
  runSeq: number
  by: string
}

/**
 * What makes an event the same as another one, whoever told it: two devices that finish one step finish it once.
 * Undefined for what may be told often.
 */
export function sameness({ kind, stepId, value, pieceId, undoes }: RunEvent): string | undefined {
  switch (kind) {
    case 'begun':
    case 'done':
    case 'skipped':
    case 'crossChecked':
    case 'opened':
      return `${stepId}/${kind}`
    case 'leftOut':
      return `${stepId}/${kind}/${pieceId}`
    case 'counted':
      return `${stepId}/counted/${value}`
    case 'undone':
      return `undone/${undoes}`
    case 'ended':
      return 'ended'
    case 'extra':
    case 'handed':
    case 'seen':
    case 'reapplied':
    case 'misted':
    case 'warmed':
    case 'bowlEmpty':
    case 'bowlMixed':
    case 'thinned':
    case 'changed':
    case 'incident':
    case 'delayed':
    case 'replanned':
    case 'amended':
    case 'pace':
      return undefined
  }
}

export const MORE_PLACES = ['everything', 'root', 'lightened'] as const
/** Where something more goes on: on all hair, on its root, or on what was lightened. */
export type MorePlace = (typeof MORE_PLACES)[number]

/** One thing more that is decided at the chair, mixed like a formula that the visit has. */
export interface More {
  place: MorePlace
  /** Letter that it is mixed like. */
  like: string
  /** What it is to show, where that differs. */
  level?: number | undefined
  tone?: Tone | undefined
  /** For the root, cm. */
  bandCm?: number | undefined
  minutes?: number | undefined
}

/** Root that is coloured at the chair where nothing is said, cm. Our estimate: a thumb's breadth. */
export const USUAL_ROOT_CM = 2

/** A formula of a visit, as far as the chair has to know it. */
export interface RunFormula {
  id: string
  product: string
  /** Missing in what was kept on a device before it was told. */
  kind?: ProductKind | undefined
  level?: number | undefined
  tone?: Tone | undefined
  /** A bowl keeps its strength so long, min; null where its product gives no such time. */
  workingLifeMinutes: number | null
  developerVol: number
  swatch: string
}

/** The head of a visit in outline: paths in cm, y downwards. */
export interface RunMap {
  hairline: string
  extent: { left: number; right: number; top: number; bottom: number }
  zones: { stageId: string; zoneId: string; outline: string; label: { x: number; y: number } }[]
}

/** A run as a device opens it. */
export interface OpenRun<Script> {
  id: string
  planId: string
  planName: string
  client: { id: string; name: string }
  script: Script
  map: RunMap
  formulas: RunFormula[]
  events: KeptRunEvent[]
  /** The server's clock, ms. */
  now: number
  /** Whether this is the demo, whose clock may run faster. */
  demo: boolean
  /** Whether the hair it left is in the client's record. */
  recorded: boolean
}
