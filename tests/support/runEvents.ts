import type { RunEvent } from '@/core/model'

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
