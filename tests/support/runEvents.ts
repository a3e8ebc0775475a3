import type { RunEvent } from '@/core/model'
import type { RunScript } from '@/core/time/run'

/** When made-up visits begin, ms. */
export const START = 1_800_000_000_000
/** So many minutes into such a visit, ms. */
export const minutes = (count: number): number => START + 60_000 * count

let counter = 0

/** Something told at the chair, by a device whose clock is right. `at` in ms. */
export const event = (kind: RunEvent['kind'], at: number, rest: Partial<RunEvent> = {}): RunEvent => ({
  id: `e${counter++}`,
  kind,
  deviceId: 'd',
  deviceSeq: counter,
  deviceTime: at,
  offsetMs: 0,
  ...rest,
})

/** Everything of a visit as planned, up to a minute. */
export const asPlannedIn = ({ steps }: RunScript, until: number): RunEvent[] =>
  steps.flatMap(({ id, start, seconds }) => [
    ...(start <= 60 * until ? [event('begun', START + 1000 * start, { stepId: id })] : []),
    ...(start + seconds <= 60 * until ? [event('done', START + 1000 * (start + seconds), { stepId: id })] : []),
  ])
