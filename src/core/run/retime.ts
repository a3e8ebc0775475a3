import { WAITING, type RunState, type StepState } from './fold'
import type { RunScript, ScriptStep } from './script'

/** A step with its times as they are now expected, ms; what is over has the times it really had. */
export interface ExpectedStep {
  step: ScriptStep
  status: StepState['status']
  from: number
  to: number
}

/** Hair that has to come out at the latest then, ms. */
export interface Deadline {
  /** The step that takes it out or rinses it, and the one that put it in. */
  stepId: string
  putInBy: string
  formulaId: string | undefined
  at: number
  /** By how much the expected start of taking out comes too late, ms; 0 when it does not. */
  late: number
}

export interface Expected {
  steps: ExpectedStep[]
  deadlines: Deadline[]
  finish: number
  /** Against the plan, ms; positive is late. */
  behind: number
}

/**
 * The rest of a visit, timed anew from what really happened: done steps stand as they were, a begun one goes on for what is left of its time, and what
 * waits starts when its person is free and its least times are over.
 */
export function expectedRun(script: RunScript, state: RunState, now: number): Expected {
  const startedAt = state.startedAt ?? now
  const times = new Map<string, { from: number; to: number }>()
  const free = new Map<string, number>()
  const steps = script.steps.map((step): ExpectedStep => {
    const { status, begunAt, endedAt } = state.steps.get(step.id) ?? WAITING
    const planned = startedAt + 1000 * step.start
    let [from, to] = [begunAt ?? endedAt ?? 0, endedAt ?? 0]
    if (status === 'begun') to = Math.max(now, from + 1000 * step.seconds)
    if (status === 'waiting') {
      // Not before its least times, nor before its person is free; and not earlier than planned only because others are quick, where product has to sit.
      from = Math.max(now, free.get(step.personId) ?? 0)
      for (const { from: earlier, to: own, least } of script.lags) if (own === step.id) from = Math.max(from, (times.get(earlier)?.from ?? 0) + 1000 * least)
      if (sits(script, step)) from = Math.max(from, plannedAfter(script, step, times, planned))
      to = from + 1000 * step.seconds
    }
    times.set(step.id, { from, to })
    free.set(step.personId, Math.max(free.get(step.personId) ?? 0, to))
    return { step, status, from, to }
  })
  const deadlines = script.lags.flatMap(({ from, to, most, formulaId }): Deadline[] => {
    if (most === null || formulaId === null) return []
    const put = state.steps.get(from)
    const out = state.steps.get(to)
    if (put?.begunAt === undefined || (out && out.status !== 'waiting')) return []
    const at = put.begunAt + 1000 * most
    return [{ stepId: to, putInBy: from, formulaId, at, late: Math.max(0, times.get(to)!.from - at) }]
  })
  const finish = Math.max(...steps.map(({ to }) => to))
  const planned = Math.max(...script.steps.map(({ start, seconds }) => startedAt + 1000 * (start + seconds)))
  return { steps, deadlines: deadlines.sort((a, b) => a.at - b.at), finish, behind: finish - planned }
}

/** Whether a step ends the time of product. */
const sits = ({ lags }: RunScript, { id }: ScriptStep): boolean => lags.some(({ to, formulaId }) => to === id && formulaId !== null)

/** When product that went in at other times than planned has had the time it was meant to have. */
function plannedAfter(script: RunScript, step: ScriptStep, times: ReadonlyMap<string, { from: number }>, planned: number): number {
  const meant = script.lags.flatMap(({ from, to, formulaId }) => {
    if (to !== step.id || formulaId === null) return []
    const put = script.steps.find(({ id }) => id === from)!
    return [(times.get(from)?.from ?? planned) + 1000 * (step.start - put.start)]
  })
  return Math.min(...meant)
}
