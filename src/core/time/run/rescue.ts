import type { ReplannedStep } from '../../model'
import {
  ALONE,
  findSchedule,
  HELPERS,
  needsOf,
  prepare,
  type Helper,
  type Lag,
  type Person,
  type Task,
} from '../schedule'
import { minutesFromSeconds } from '../../units'
import { personOf } from './crew'
import { WAITING, type RunState } from './fold'
import { expectedRun, heldUntil, secondsOf, stepsInOrder } from './retime'
import type { RunScript } from './script'

/** A way to go on from here. */
export interface Rescue {
  /** Who would have to come and help; undefined for the same people in another order. */
  helper: Helper | undefined
  steps: ReplannedStep[]
  joins: { id: string; name: string } | undefined
  /** By how much longest times would still be passed in all, min; 0 where everything is kept. */
  over: number
  /** When all would be done, ms. */
  finish: number
}

/** The beginning of the visit, to which everything that has a time already is tied, and nobody's work. */
const ORIGIN: Task = { id: 'origin', seconds: 0, skill: 'rinse', by: 'nobody' }
const NOBODY: Person = { id: 'nobody', name: '', skills: [] }

/**
 * How the rest of a visit could go on so that longest times are kept, worked out anew from where it stands: with the
 * same people, with an assistant, with a second colourist. What is begun stays with whoever has begun it. Only ways
 * that come nearer to keeping every time than going on as now, or that end sooner, the best first.
 */
export function rescuesFor(script: RunScript, state: RunState, now: number): Rescue[] {
  const expected = expectedRun(script, state, now)
  const lateNow = expected.deadlines.reduce((sum, { late }) => sum + late, 0) / 60_000
  const here = [...script.people, ...state.joined].map(personOf)
  const helpers = (Object.keys(HELPERS) as Helper[]).filter(
    (helper) => !here.some(({ id }) => id === HELPERS[helper].id),
  )
  return [undefined, ...helpers]
    .map((helper) => rescueWith(script, state, now, here, helper))
    .filter(({ over, finish }) => over < lateNow - 0.5 || (over <= lateNow && finish < expected.finish - 60_000))
    .sort((a, b) => a.over - b.over || a.finish - b.finish)
}

/** What is left of a visit, with what is over tied to its beginning. @param since s from the start of the visit */
function restOf(
  script: RunScript,
  state: RunState,
  now: number,
  since: (at: number) => number,
): { tasks: Task[]; lags: Lag[] } {
  const tasks: Task[] = [ORIGIN]
  const lags: Lag[] = []
  const over = new Map<string, number>()
  for (const { step, personId } of stepsInOrder(script, state)) {
    const { status, begunAt = now } = state.steps.get(step.id) ?? WAITING
    if (status === 'done' || status === 'skipped') {
      over.set(step.id, since(begunAt))
      continue
    }
    const seconds = Math.round(secondsOf(script, state, step))
    const begun = status === 'begun'
    // Whoever is held up over something goes on with it until then.
    const busyUntil = since(Math.max(now, heldUntil(state, personId)))
    tasks.push({
      id: step.id,
      seconds: begun ? Math.max(seconds, busyUntil - since(begunAt)) : seconds,
      ...needsOf(step.kind),
      ...(begun && { by: personId }),
    })
    lags.push(
      begun
        ? { from: ORIGIN.id, to: step.id, least: since(begunAt), most: since(begunAt) }
        : { from: ORIGIN.id, to: step.id, least: since(now) },
    )
  }
  const planned = new Map(script.steps.map(({ id, start }) => [id, start]))
  for (const { from, to, least, most, formulaId } of script.lags) {
    if (over.has(to)) continue
    const gone = over.get(from)
    // Product is left on for as long as it was meant to be, wherever that can be.
    const ideal = formulaId === null ? undefined : planned.get(to)! - planned.get(from)!
    const tie = gone ?? 0
    lags.push({
      from: gone === undefined ? from : ORIGIN.id,
      to,
      least: tie + least,
      ...(most !== null && { most: tie + most }),
      ...(ideal !== undefined && { ideal: tie + ideal }),
    })
  }
  return { tasks, lags }
}

function rescueWith(
  script: RunScript,
  state: RunState,
  now: number,
  here: readonly Person[],
  helper: Helper | undefined,
): Rescue {
  const startedAt = state.startedAt ?? now
  const since = (at: number) => Math.round((at - startedAt) / 1000)
  const { tasks, lags } = restOf(script, state, now, since)
  const busy = new Set(tasks.map(({ by }) => by))
  const people = [
    NOBODY,
    ...here.map((person) =>
      busy.has(person.id) ? person : { ...person, from: Math.max(0, since(heldUntil(state, person.id))) },
    ),
    ...(helper ? [HELPERS[helper]] : []),
  ]
  const prepared = prepare({ tasks, lags, people, resources: ALONE.resources })
  const schedule = findSchedule(prepared)
  const from = (i: number) => schedule.starts[i]! - schedule.starts[0]!
  const steps = [...tasks.keys()]
    .slice(1)
    .sort((a, b) => from(a) - from(b))
    .map((i) => ({ stepId: tasks[i]!.id, personId: people[schedule.people[i]!]!.id }))
  return {
    helper,
    steps,
    joins: helper && { id: HELPERS[helper].id, name: HELPERS[helper].name },
    over: minutesFromSeconds(schedule.violation),
    finish: startedAt + 1000 * (schedule.finish - schedule.starts[0]!),
  }
}
