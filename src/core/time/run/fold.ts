import { reappliedBy } from '../schedule'
import type { Incident, KeptRunEvent, ReplannedStep, RunEvent, StrandSpot } from '../../model'

/** One step as it went so far; times ms. */
export interface StepState {
  status: 'waiting' | 'begun' | 'done' | 'skipped'
  begunAt: number | undefined
  endedAt: number | undefined
  /** Pieces counted in or out, how many were not planned, with where they are and what went on them, g, where told. */
  counted: number
  extra: number
  unplanned: readonly { place: string; grams: number | undefined }[]
  /** Planned pieces that were not put in. */
  leftOut: readonly string[]
  /** What combing through its section for gaps found. */
  crossChecked: { note: string; at: number } | undefined
  /** Levels read on its hair, and what was done to it meanwhile. */
  seen: { level: number; at: number; spot: StrandSpot | undefined }[]
  care: { kind: 'reapplied' | 'misted' | 'warmed' | 'opened'; at: number; minutes: number | undefined }[]
}

/** What is so of a formula's bowls. */
export interface BowlState {
  /** When the bowl in use was mixed; undefined when there is none, or none any more. */
  mixedAt: number | undefined
  emptyAt: number | undefined
  /** Developer put to it, g. */
  thinnedG: number
  /** Developer strength of what is mixed from here on, vol, where it was changed. */
  vol: { vol: number; at: number } | undefined
}

export interface RunState {
  steps: ReadonlyMap<string, StepState>
  bowls: ReadonlyMap<string, BowlState>
  /** Who does a step instead of whom the plan names. */
  handed: ReadonlyMap<string, string>
  /** What is left, in another order than planned. */
  replanned: readonly ReplannedStep[] | undefined
  /** Who came to help, and when. */
  joined: readonly { id: string; name: string; at: number }[]
  /** Times in which whoever was there then began nothing. */
  delays: { minutes: number; at: number; note: string }[]
  incidents: { id: string; stepId: string | undefined; incident: Incident; note: string; at: number }[]
  /** When the first step was begun, and when all was over. */
  startedAt: number | undefined
  endedAt: number | undefined
  /** What can be taken back: the newest event that still counts. */
  last: RunEvent | undefined
  /** The visit's clock: it showed `shown` at `real`, ms, and runs `pace` times as fast since. */
  clock: { real: number; shown: number; pace: number }
}

export const WAITING: StepState = {
  status: 'waiting',
  begunAt: undefined,
  endedAt: undefined,
  counted: 0,
  extra: 0,
  unplanned: [],
  leftOut: [],
  crossChecked: undefined,
  seen: [],
  care: [],
}
const NO_BOWL: BowlState = { mixedAt: undefined, emptyAt: undefined, thinnedG: 0, vol: undefined }

/** What the visit's clock shows at a time of the server's, ms: the same, but in a demo that runs faster. */
export const shownAt = ({ real, shown, pace }: RunState['clock'], now: number): number => shown + pace * (now - real)

/** The formula that a step mixes. */
const mixedBy = (stepId: string): string | undefined => /^mix\/(.+)\/\d+$/.exec(stepId)?.[1]

/** Events of a log that were taken back, by id. */
export const undoneIn = (events: readonly RunEvent[]): ReadonlySet<string> =>
  new Set(events.flatMap(({ kind, undoes }) => (kind === 'undone' && undoes ? [undoes] : [])))

/**
 * What the log says, told in its order. Events that were taken back do not count; the order is the server's, so every
 * device comes to the same.
 * @param events kept ones by runSeq, then what this device has not been able to send yet
 */
export function foldRun(events: readonly (KeptRunEvent | RunEvent)[]): RunState {
  const undone = undoneIn(events)
  const steps = new Map<string, StepState>()
  const bowls = new Map<string, BowlState>()
  const handed = new Map<string, string>()
  const joined: { id: string; name: string; at: number }[] = []
  const delays: RunState['delays'] = []
  const incidents: RunState['incidents'] = []
  let replanned: RunState['replanned']
  let [startedAt, endedAt, last]: [number | undefined, number | undefined, RunEvent | undefined] = [
    undefined,
    undefined,
    undefined,
  ]
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
    const { kind, stepId, personId, note = '' } = event
    if (kind === 'ended') endedAt = at
    if (kind === 'incident') incidents.push({ id: event.id, stepId, incident: event.incident ?? 'other', note, at })
    if (kind === 'delayed') delays.push({ minutes: event.value ?? 0, at, note })
    if (kind === 'replanned') {
      replanned = event.steps
      handed.clear()
      if (event.joins && !joined.some(({ id }) => id === event.joins!.id)) joined.push({ ...event.joins, at })
    }
    if (kind === 'handed' && stepId !== undefined && personId !== undefined) handed.set(stepId, personId)
    const formulaId = event.formulaId ?? (kind === 'done' && stepId !== undefined ? mixedBy(stepId) : undefined)
    if (formulaId !== undefined) bowls.set(formulaId, bowlAfter(bowls.get(formulaId) ?? NO_BOWL, event, at))
    if (stepId !== undefined) steps.set(stepId, stepAfter(steps.get(stepId) ?? WAITING, event, at))
    const over = kind === 'done' && stepId !== undefined ? reappliedBy(stepId) : undefined
    if (over !== undefined)
      steps.set(over, stepAfter(steps.get(over) ?? WAITING, { ...event, kind: 'reapplied', stepId: over }, at))
  }
  return { steps, bowls, handed, replanned, joined, delays, incidents, startedAt, endedAt, last, clock }
}

function stepAfter(step: StepState, event: RunEvent, at: number): StepState {
  const { kind, value = 0, note = '', spot, pieceId, grams } = event
  const begun = { status: step.status === 'waiting' ? ('begun' as const) : step.status, begunAt: step.begunAt ?? at }
  switch (kind) {
    case 'begun':
      return step.status === 'waiting' ? { ...step, ...begun } : step
    case 'done':
      return { ...step, status: 'done', begunAt: step.begunAt ?? at, endedAt: step.endedAt ?? at }
    case 'skipped':
      return step.status === 'done' ? step : { ...step, status: 'skipped', endedAt: at }
    case 'counted':
      return { ...step, ...begun, counted: Math.max(step.counted, value) }
    case 'extra':
      return { ...step, ...begun, extra: step.extra + value, unplanned: [...step.unplanned, { place: note, grams }] }
    case 'leftOut':
      return pieceId === undefined ? step : { ...step, leftOut: [...new Set([...step.leftOut, pieceId])] }
    case 'crossChecked':
      return { ...step, crossChecked: { note, at } }
    case 'seen':
      return { ...step, seen: [...step.seen, { level: value, at, spot }] }
    case 'reapplied':
    case 'misted':
    case 'opened':
      return { ...step, care: [...step.care, { kind, at, minutes: undefined }] }
    case 'warmed':
      return { ...step, care: [...step.care, { kind, at, minutes: value }] }
    default:
      return step
  }
}

function bowlAfter(bowl: BowlState, { kind, value = 0 }: RunEvent, at: number): BowlState {
  switch (kind) {
    case 'done':
    case 'bowlMixed':
      return { ...bowl, mixedAt: at, emptyAt: undefined, thinnedG: 0 }
    case 'bowlEmpty':
      return { ...bowl, mixedAt: undefined, emptyAt: at }
    case 'thinned':
      return { ...bowl, thinnedG: bowl.thinnedG + value }
    case 'changed':
      return { ...bowl, vol: { vol: value, at } }
    default:
      return bowl
  }
}
