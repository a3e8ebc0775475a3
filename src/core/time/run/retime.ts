import { byId } from '../../model'
import { TAKE_OUT_SECONDS } from '../schedule'
import { WAITING, type RunState, type StepState } from './fold'
import { putInBefore, type RunScript, type ScriptStep } from './script'
import { TOLD_FROM } from './constants'

/** A step with its times as they are now expected, ms; what is over has the times it really had. */
export interface ExpectedStep {
  step: ScriptStep
  status: StepState['status']
  personId: string
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

/** Something that took longer, or less long, than planned: a step, or a delay that was told (without one). ms */
export interface Cause {
  step: ScriptStep | undefined
  note: string
  by: number
}

export interface Expected {
  /** In the order in which they are begun. */
  steps: ExpectedStep[]
  deadlines: Deadline[]
  finish: number
  /** Against the plan, ms; positive is late. */
  behind: number
  /** What made the difference, the most first. */
  causes: Cause[]
}

/** What a step takes, s, with the pieces that were not planned and without those that were left out. */
export function secondsOf(script: RunScript, { steps }: Pick<RunState, 'steps'>, step: ScriptStep): number {
  const more = (id: string) => {
    const { extra, leftOut } = steps.get(id) ?? WAITING
    return extra - leftOut.length
  }
  if (step.kind === 'apply') return step.seconds + (more(step.id) * step.seconds) / Math.max(1, step.pieces.length)
  if (step.kind !== 'takeOut') return step.seconds
  const put = putInBefore(script, step.id)
  return Math.max(0, step.seconds + TAKE_OUT_SECONDS * put.reduce((sum, id) => sum + more(id), 0))
}

/** Until when somebody is held up, ms; whoever came later is not. */
export function heldUntil({ delays, joined }: RunState, personId: string): number {
  const came = joined.find(({ id }) => id === personId)?.at ?? 0
  return Math.max(0, ...delays.filter(({ at }) => at >= came).map(({ at, minutes }) => at + 60_000 * minutes))
}

/**
 * Steps in the order in which they are now to be begun, each with who does it: what was settled anew comes after all
 * that is begun.
 */
export function stepsInOrder(
  { steps }: RunScript,
  { replanned = [], handed }: RunState,
): { step: ScriptStep; personId: string }[] {
  const place = new Map(replanned.map(({ stepId, personId }, i) => [stepId, { i, personId }]))
  return steps
    .map((step) => ({
      step,
      personId: handed.get(step.id) ?? place.get(step.id)?.personId ?? step.personId,
      place: place.get(step.id)?.i ?? -1,
    }))
    .sort((a, b) => a.place - b.place)
    .map(({ step, personId }) => ({ step, personId }))
}

/**
 * The rest of a visit, timed anew from what really happened: done steps stand as they were, a begun one goes on for
 * what is left of its time, and what waits starts when its person is free, its least times are over and no delay stands
 * in the way.
 */
export function expectedRun(script: RunScript, state: RunState, now: number): Expected {
  const startedAt = state.startedAt ?? now
  const times = new Map<string, { from: number; to: number }>()
  const free = new Map<string, number>()
  const steps = stepsInOrder(script, state).map(({ step, personId }): ExpectedStep => {
    const { status, begunAt, endedAt } = state.steps.get(step.id) ?? WAITING
    const lasts = 1000 * secondsOf(script, state, step)
    let [from, to] = [begunAt ?? endedAt ?? 0, endedAt ?? 0]
    if (status === 'begun') to = Math.max(now, from + lasts)
    if (status === 'waiting') {
      // Not before its least times, nor before its person is free; and not earlier than planned only because others are
      // quick, where product has to sit.
      from = Math.max(now, heldUntil(state, personId), free.get(personId) ?? 0)
      for (const { from: earlier, to: own, least } of script.lags)
        if (own === step.id) from = Math.max(from, (times.get(earlier)?.from ?? 0) + 1000 * least)
      from = Math.max(from, plannedAfter(script, step, times, startedAt + 1000 * step.start))
      to = from + lasts
    }
    times.set(step.id, { from, to })
    free.set(personId, Math.max(free.get(personId) ?? 0, to))
    return { step, status, personId, from, to }
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
  return {
    steps,
    deadlines: deadlines.sort((a, b) => a.at - b.at),
    finish,
    behind: finish - planned,
    causes: causesOf(steps, state),
  }
}

function causesOf(steps: readonly ExpectedStep[], { delays }: RunState): Cause[] {
  const ofSteps = steps.flatMap(({ step, status, from, to }): Cause[] =>
    status === 'waiting' ? [] : [{ step, note: '', by: (status === 'skipped' ? 0 : to - from) - 1000 * step.seconds }],
  )
  const ofDelays = delays.map(({ minutes, note }): Cause => ({ step: undefined, note, by: 60_000 * minutes }))
  return [...ofDelays, ...ofSteps]
    .filter(({ by }) => Math.abs(by) >= TOLD_FROM)
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
}

/**
 * When product that a step takes out or rinses, and that went in at other times than planned, has had the time it was
 * meant to have; at once where it ends no product.
 */
function plannedAfter(
  script: RunScript,
  step: ScriptStep,
  times: ReadonlyMap<string, { from: number }>,
  planned: number,
): number {
  const meant = putInBefore(script, step.id).map((from) => {
    const put = byId(script.steps, from)
    return (times.get(from)?.from ?? planned) + 1000 * (step.start - put.start)
  })
  return meant.length > 0 ? Math.min(...meant) : 0
}
