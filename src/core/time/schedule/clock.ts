import { lighteningLetters, type Canvas, type FaltoPlan } from '../../model'
import { processOf } from '../fold'
import { ROOM_CELSIUS, type ServiceProcess } from '../lightening'
import type { ComputedStages, Range } from '../../placement/quantity'
import { minutesFromSeconds } from '../../units'
import { soonestFinish } from './bound'
import { busySeconds, finishRange, liftingSeconds } from './certainty'
import type { Crew } from './crew'
import type { TaskKind, Visit } from './draft'
import { scheduleInTurn } from './inTurn'
import type { Person, Schedule } from './problem'
import { chunksOf, type Working } from './stretches'
import { visitOf } from './visit'
import { evennessOf, zonesOf, type ZoneClock } from './zones'

export interface ClockOptions extends Working {
  crew: Crew
  canvas?: Canvas | undefined
  roomCelsius?: number | undefined
}

/** One task with its time, min from the start of the visit. */
export interface ClockTask {
  id: string
  kind: TaskKind
  about: string
  stageId: string | undefined
  from: number
  to: number
  personId: string
}

/** A longest time that is passed. */
export interface Conflict {
  formulaId: string | undefined
  about: string
  /** min beyond the label's longest time. */
  over: number
}

export interface Clock {
  fits: boolean
  tasks: ClockTask[]
  zones: ZoneClock[]
  conflicts: Conflict[]
  /** Whole visit, min. */
  finish: Range
  /** Time in which no hands are needed, min. */
  handsFree: number
  /** How much sooner it would end if nobody ever waited for hands, a bowl or the basin, min. */
  waiting: number
  /** Levels between which four fifths of everything lightened lies when it comes off, by formula. */
  evenness: Record<string, { p10: number; p90: number }>
  /** What the clock was made for. */
  visit: Visit
}

/** What one plan's visit asks for, whoever does it. */
export const visitFor = (
  plan: FaltoPlan,
  computed: ComputedStages,
  { canvas, roomCelsius = ROOM_CELSIUS, ...working }: Omit<ClockOptions, 'crew'>,
  process = processOf(plan, computed, { canvas, roomCelsius }),
): Visit => visitOf(plan, chunksOf(plan, computed, process, working), working)

/** Who does what when for one plan, and what it comes to. @throws Error when nobody of the crew can do something */
export function clockFor(
  plan: FaltoPlan,
  computed: ComputedStages,
  { crew, ...options }: ClockOptions,
  process = processOf(plan, computed, { canvas: options.canvas, roomCelsius: options.roomCelsius }),
): Clock {
  const scheduled = (working: Working) => {
    const visit = visitFor(plan, computed, { ...options, ...working }, process)
    const turns = visit.tasks.map(({ turn }) => turn)
    return { visit, turns, schedule: scheduleInTurn({ ...visit, ...crew }, turns) }
  }
  const asNeeded = scheduled({})
  const goesAround = asNeeded.visit.tasks.some(({ kind }) => kind === 'reapply')
  // Going round again gives way where a label's longest time would be passed for it.
  const other = goesAround && asNeeded.schedule.violation > 0 ? scheduled({ afresh: false }) : asNeeded
  const { visit, turns, schedule } = other.schedule.violation < asNeeded.schedule.violation ? other : asNeeded
  const soonest = soonestFinish({ ...visit, ...crew }, turns, schedule.starts)
  return read(plan, process, visit, crew.people, schedule, soonest)
}

function read(
  plan: FaltoPlan,
  process: ServiceProcess,
  visit: Visit,
  crew: readonly Person[],
  schedule: Schedule,
  soonest: number,
): Clock {
  const { starts, people } = schedule
  const startOf = new Map(visit.tasks.map(({ id }, i) => [id, starts[i]!]))
  const tasks = visit.tasks.map(({ id, kind, about, stageId, seconds }, i): ClockTask => ({
    id,
    kind,
    about,
    stageId,
    from: minutesFromSeconds(starts[i]!),
    to: minutesFromSeconds(starts[i]! + seconds),
    personId: crew[people[i]!]!.id,
  }))
  const zones = zonesOf(plan, process, visit, startOf)
  const conflicts = visit.lags.flatMap(({ from, to, most = Infinity, formulaId, about = '' }): Conflict[] => {
    const over = startOf.get(to)! - startOf.get(from)! - most
    return over > 0.5 ? [{ formulaId, about, over: minutesFromSeconds(over) }] : []
  })
  const busy = busySeconds(visit.tasks, starts)
  const lifting = liftingSeconds(lighteningLetters(plan), visit.tasks, starts)
  const finish = finishRange(minutesFromSeconds(schedule.finish), {
    hands: minutesFromSeconds(busy),
    lift: minutesFromSeconds(lifting),
  })
  return {
    fits: schedule.violation === 0,
    tasks: tasks.sort((a, b) => a.from - b.from),
    zones: zones.map(({ zone }) => zone),
    conflicts,
    finish,
    handsFree: minutesFromSeconds(schedule.finish - busy),
    waiting: minutesFromSeconds(Math.max(0, schedule.finish - soonest)),
    evenness: evennessOf(zones),
    visit,
  }
}
