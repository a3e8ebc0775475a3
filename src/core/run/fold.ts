import type { Incident, KeptRunEvent, RunEvent } from '../model'

/** One step as it went so far; times ms. */
export interface StepState {
  status: 'waiting' | 'begun' | 'done' | 'skipped'
  begunAt: number | undefined
  endedAt: number | undefined
  /** Pieces counted in or out. */
  counted: number
  /** Levels read on its hair, and when product was applied again. */
  seen: { level: number; at: number }[]
  reappliedAt: number[]
}

export interface RunState {
  steps: ReadonlyMap<string, StepState>
  incidents: { id: string; stepId: string | undefined; incident: Incident; note: string; at: number }[]
  /** When the first step was begun, and when all was over. */
  startedAt: number | undefined
  endedAt: number | undefined
  /** What can be taken back: the newest event that still counts. */
  last: RunEvent | undefined
  /** The visit's clock: it showed `shown` at `real`, ms, and runs `pace` times as fast since. */
  clock: { real: number; shown: number; pace: number }
}

export const WAITING: StepState = { status: 'waiting', begunAt: undefined, endedAt: undefined, counted: 0, seen: [], reappliedAt: [] }

/** What the visit's clock shows at a time of the server's, ms: the same, but in a demo that runs faster. */
export const shownAt = ({ real, shown, pace }: RunState['clock'], now: number): number => shown + pace * (now - real)

/**
 * What the log says, told in its order. Events that were taken back do not count; the order is the server's, so every device comes to the same.
 * @param events kept ones by runSeq, then what this device has not been able to send yet
 */
export function foldRun(events: readonly (KeptRunEvent | RunEvent)[]): RunState {
  const undone = new Set(events.flatMap(({ kind, undoes }) => (kind === 'undone' && undoes ? [undoes] : [])))
  const steps = new Map<string, StepState>()
  const incidents: RunState['incidents'] = []
  let [startedAt, endedAt, last]: [number | undefined, number | undefined, RunEvent | undefined] = [undefined, undefined, undefined]
  let clock = { real: 0, shown: 0, pace: 1 }
  for (const event of events) {
    if (event.kind === 'undone' || undone.has(event.id)) continue
    const real = event.deviceTime + event.offsetMs
    const at = shownAt(clock, real)
    if (event.kind === 'pace') {
      clock = { real, shown: at, pace: event.value ?? 1 }
      continue
    }
    last = event
    startedAt = Math.min(startedAt ?? at, at)
    if (event.kind === 'ended') endedAt = at
    if (event.kind === 'incident') incidents.push({ id: event.id, stepId: event.stepId, incident: event.incident ?? 'other', note: event.note ?? '', at })
    if (event.stepId === undefined) continue
    steps.set(event.stepId, stepAfter(steps.get(event.stepId) ?? WAITING, event, at))
  }
  return { steps, incidents, startedAt, endedAt, last, clock }
}

function stepAfter(step: StepState, { kind, value = 0 }: RunEvent, at: number): StepState {
  switch (kind) {
    case 'begun':
      return step.status === 'waiting' ? { ...step, status: 'begun', begunAt: at } : step
    case 'done':
      return { ...step, status: 'done', begunAt: step.begunAt ?? at, endedAt: step.endedAt ?? at }
    case 'skipped':
      return step.status === 'done' ? step : { ...step, status: 'skipped', endedAt: at }
    case 'counted':
      return { ...step, status: step.status === 'waiting' ? 'begun' : step.status, begunAt: step.begunAt ?? at, counted: Math.max(step.counted, value) }
    case 'seen':
      return { ...step, seen: [...step.seen, { level: value, at }] }
    case 'reapplied':
      return { ...step, reappliedAt: [...step.reappliedAt, at] }
    case 'incident':
    case 'pace':
    case 'undone':
    case 'ended':
      return step
  }
}
