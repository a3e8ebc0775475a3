import type { Lock } from '../../time/fold'

/** Picks one of a cell's locks by their shares. @param draw 0…1 */
export function drawLock(locks: readonly Lock[], draw: number): Lock {
  let left = draw * locks.reduce((sum, { share }) => sum + share, 0)
  for (const lock of locks) if ((left -= lock.share) < 0) return lock
  return locks.at(-1)!
}

/**
 * What became of a strand that started as a lock and was then taken by these formulas, one list a stage that took it.
 */
export interface Course {
  start: Lock
  /** Stages that took it, as the sum of 2 to the power of their places. */
  took: number
  /** Formulas on it in order, joined. */
  formulas: string
}

const tookOf = ({ took }: Lock): number => took.reduce((sum, stage) => sum | (1 << stage), 0)
const formulasOf = ({ sources }: Lock, before: number): string =>
  sources
    .slice(before)
    .map((source) => source.slice(source.indexOf('/') + 1))
    .join('+')

/**
 * The lock of a cell that a strand is part of after some stages: of those like it in what matters most, one by their
 * shares. What is rare may have been joined to what looks alike, so that the nearest will do.
 */
export function lockAfter(locks: readonly Lock[], { start, took, formulas }: Course, draw: number): Lock {
  let best = -1
  let alike: Lock[] = []
  for (const lock of locks) {
    const score =
      (tookOf(lock) === took ? 8 : 0) +
      (lock.white === start.white ? 4 : 0) +
      (formulasOf(lock, start.sources.length) === formulas ? 2 : 0) +
      (lock.was === start.bands ? 1 : 0)
    if (score < best) continue
    if (score > best) alike = []
    best = score
    alike.push(lock)
  }
  return drawLock(alike, draw)
}
