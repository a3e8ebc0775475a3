import type { FaltoPlan } from '../model'
import { createProcess } from '../process'
import { clockFor, liftOf, type ClockOptions, type TaskKind, type ZoneClock } from '../schedule'
import type { ComputedStages } from '../result'

/** A step of a visit as it was planned. Seconds count from the start of the visit. */
export interface ScriptStep {
  id: string
  kind: TaskKind
  about: string
  personId: string
  start: number
  seconds: number
  /** Pieces that it puts in or takes out: when each is done, s from the step's own start. */
  pieces: { id: string; formulaId: string; at: number }[]
  /** Mean level that its pieces are expected to come to by minutes under product; empty where nothing lifts, missing in visits that were pinned before it was kept. */
  lift?: { minute: number; level: number }[] | undefined
}

export interface ScriptLag {
  from: string
  to: string
  least: number
  most: number | null
  formulaId: string | null
}

/** A visit pinned for its run: it no longer changes when the plan does. */
export interface RunScript {
  people: { id: string; name: string }[]
  /** In the order in which they are begun. */
  steps: ScriptStep[]
  lags: ScriptLag[]
  zones: ZoneClock[]
}

/** The zone that a step puts product into, under the first of its formulas that has one. */
export const zoneOfStep = ({ zones }: Pick<RunScript, 'zones'>, { id, pieces }: ScriptStep): ZoneClock | undefined =>
  zones.find(({ zoneId, formulaId }) => id.includes(`/${zoneId}/`) && pieces.some((piece) => piece.formulaId === formulaId))

/** Pins the clock of a plan. @throws Error when nobody of the crew can do something */
export function scriptFor(plan: FaltoPlan, computed: ComputedStages, options: ClockOptions): RunScript {
  const process = createProcess(plan, computed.head, options.canvas, options.roomCelsius)
  const { visit, ...clock } = clockFor(plan, computed, options, process)
  const starts = new Map(clock.tasks.map(({ id, from, personId }) => [id, { start: Math.round(60 * from), personId }]))
  return {
    people: options.crew.people.map(({ id, name }) => ({ id, name })),
    steps: visit.tasks
      .map(({ id, kind, about, seconds, pieces = [] }) => ({
        id,
        kind,
        about,
        seconds,
        ...starts.get(id)!,
        lift: kind === 'apply' ? liftOf(plan, process, pieces) : [],
        pieces: pieces.map(({ piece, on }, i) => ({ id: piece.id, formulaId: piece.formulaId, at: Math.round(kind === 'takeOut' ? ((i + 1) * seconds) / pieces.length : on) })),
      }))
      .sort((a, b) => a.start - b.start),
    lags: visit.lags.map(({ from, to, least, most, formulaId }) => ({ from, to, least, most: most ?? null, formulaId: formulaId ?? null })),
    zones: clock.zones,
  }
}
