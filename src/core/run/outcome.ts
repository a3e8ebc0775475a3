import type { TaskKind } from '../schedule'
import { WAITING, type RunState } from './fold'
import { zoneOfStep, type RunScript } from './script'

/** What was planned against what came of it. Minutes; null where a step was skipped or never ended. */
export interface RunOutcome {
  planned: number
  actual: number | null
  steps: { id: string; kind: TaskKind; about: string; planned: number; actual: number | null; skipped: boolean }[]
  /** Levels that were read, against the range expected when the hair comes out. */
  levels: { about: string; seen: number; minute: number; expected: { low: number; high: number } | null }[]
}

const MINUTE = 60_000

/** Planned against actual, step by step and look by look. */
export function runOutcome(script: RunScript, state: RunState): RunOutcome {
  const { steps } = script
  const { startedAt } = state
  const ended = steps.map(({ id }) => state.steps.get(id)?.endedAt).filter((at) => at !== undefined)
  const over = steps.every(({ id }) => ['done', 'skipped'].includes((state.steps.get(id) ?? WAITING).status))
  return {
    planned: Math.max(...steps.map(({ start, seconds }) => start + seconds)) / 60,
    actual: over && startedAt !== undefined ? (Math.max(...ended) - startedAt) / MINUTE : null,
    steps: steps.map(({ id, kind, about, seconds }) => {
      const { status, begunAt, endedAt } = state.steps.get(id) ?? WAITING
      return { id, kind, about, planned: seconds / 60, actual: status === 'done' && begunAt !== undefined && endedAt !== undefined ? (endedAt - begunAt) / MINUTE : null, skipped: status === 'skipped' }
    }),
    levels: steps.flatMap((step) => {
      const zone = zoneOfStep(script, step)
      const { seen, begunAt = 0 } = state.steps.get(step.id) ?? WAITING
      return seen.map(({ level, at }) => ({ about: step.about, seen: level, minute: (at - begunAt) / MINUTE, expected: zone ? { low: zone.level.low, high: zone.level.high } : null }))
    }),
  }
}
