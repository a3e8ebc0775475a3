/** What happens at the chair, as an append-only log. Times are ms since 1970, UTC. */
export const RUN_EVENT_KINDS = ['begun', 'done', 'skipped', 'counted', 'seen', 'reapplied', 'incident', 'pace', 'undone', 'ended'] as const
export type RunEventKind = (typeof RUN_EVENT_KINDS)[number]

export const INCIDENTS = ['bleed', 'brass', 'slipped', 'burning', 'breakage', 'other'] as const
export type Incident = (typeof INCIDENTS)[number]

/** One thing that somebody told the run. */
export interface RunEvent {
  /** UUIDv7, made by the device. */
  id: string
  kind: RunEventKind
  /** The step it is about; for `seen`, `reapplied` and `incident` the step that put the hair in. */
  stepId?: string | undefined
  /** `counted`: how many pieces of the step are in or out by now. `seen`: the level read. `pace`: how many times as fast the demo's clock runs from here on. */
  value?: number | undefined
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

/** What makes an event the same as another one, whoever told it: two devices that finish one step finish it once. Undefined for what may be told often. */
export function sameness({ kind, stepId, value, undoes }: RunEvent): string | undefined {
  switch (kind) {
    case 'begun':
    case 'done':
    case 'skipped':
      return `${stepId}/${kind}`
    case 'counted':
      return `${stepId}/counted/${value}`
    case 'undone':
      return `undone/${undoes}`
    case 'ended':
      return 'ended'
    case 'seen':
    case 'reapplied':
    case 'incident':
    case 'pace':
      return undefined
  }
}

/** A run as a device opens it. */
export interface OpenRun<Script> {
  id: string
  planId: string
  planName: string
  client: { id: string; name: string }
  script: Script
  events: KeptRunEvent[]
  /** The server's clock, ms. */
  now: number
  /** Whether this is the demo, whose clock may run faster. */
  demo: boolean
}
