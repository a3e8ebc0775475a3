import { secondsFromMinutes } from '../../units'
import type { PersonAtHand } from '../../model'
import { prepare, type Lag, type Person, type Task } from './problem'
import { findSchedule } from './search'
import { ALONE, type Crew } from './crew'
import type { TaskKind, Visit } from './draft'
import { GAP_MINUTES, ARRIVAL_STEP, BEARABLE_WAIT } from './constants'

/** One client of a day. Times in min after midnight. */
export interface DayVisit {
  id: string
  visit: Visit
  arrives: number
}

/** Who and what there is on a day. Somebody without hours is there whenever there is work. */
export interface DayCrew extends Omit<Crew, 'people'> {
  people: readonly (Omit<Person, 'from' | 'to'> & Partial<Pick<PersonAtHand, 'hours'>>)[]
}

/** Those who are at hand on a day, with the salon's basin and dryer. */
export const dayCrew = (people: readonly PersonAtHand[]): DayCrew => ({ ...ALONE, people })

/** One client's part of a day. */
export interface DayVisitClock {
  id: string
  arrives: number
  begins: number
  ends: number
  /** How long it takes when nobody else is there, and how much longer it takes so, min. */
  alone: number
  waits: number
  /** Longest times that are passed, min in all. */
  over: number
}

/** A day of several clients. Times in min after midnight. */
export interface DayClock {
  /** Whether every longest time is kept and everybody is done by closing. */
  fits: boolean
  visits: DayVisitClock[]
  tasks: { visitId: string; kind: TaskKind; about: string; from: number; to: number; personId: string }[]
  /**
   * Stretches of at least {@link GAP_MINUTES} between somebody's first and last work in which nothing is asked of them.
   */
  gaps: { personId: string; from: number; to: number }[]
  ends: number
}

/**
 * Who does what for whom on one day: the clients of a crew share people, basin and dryer, and one is worked on while
 * another’s hair sits. Each is begun no earlier than she arrives and is better not kept longer than if she were alone.
 * @throws Error when nobody of the crew can do something
 */
export function dayFor(visits: readonly DayVisit[], crew: DayCrew, closes: number): DayClock {
  const alone = visits.map(({ visit }) => findSchedule(prepare({ ...visit, ...crew })))
  const opens = Math.min(...visits.map(({ arrives }) => arrives))
  const tasks: (Task & { visit: number; own: number; usually: number })[] = visits.flatMap(({ visit, arrives }, v) =>
    visit.tasks.map((task, i) => ({
      ...task,
      id: `${v}/${task.id}`,
      visit: v,
      own: i,
      release: secondsFromMinutes(arrives - opens),
      usually: secondsFromMinutes(arrives - opens) + alone[v]!.starts[i]!,
    })),
  )
  tasks.sort((a, b) => a.usually - b.usually)
  const lags: Lag[] = visits.flatMap(({ visit }, v) => [
    ...visit.lags.map((lag) => ({ ...lag, from: `${v}/${lag.from}`, to: `${v}/${lag.to}` })),
    {
      from: `${v}/${visit.tasks[0]!.id}`,
      to: `${v}/${visit.tasks.at(-1)!.id}`,
      least: 0,
      ideal: alone[v]!.starts.at(-1)! - alone[v]!.starts[0]!,
    },
  ])
  const people = crew.people.map(({ hours, ...person }) => ({
    ...person,
    from: secondsFromMinutes(Math.max(0, (hours?.from ?? opens) - opens)),
    to: secondsFromMinutes(Math.min(hours?.to ?? closes, closes) - opens),
  }))
  const { starts, people: doers, violation } = findSchedule(prepare({ tasks, lags, people, resources: crew.resources }))
  const at = (seconds: number) => opens + seconds / 60
  const done = tasks.map(({ visit, own, seconds }, i) => {
    const { kind, about } = visits[visit]!.visit.tasks[own]!
    return {
      visitId: visits[visit]!.id,
      kind,
      about,
      from: at(starts[i]!),
      to: at(starts[i]! + seconds),
      personId: crew.people[doers[i]!]!.id,
    }
  })
  const startOf = new Map(tasks.map(({ id }, i) => [id, starts[i]!]))
  return {
    fits: violation === 0,
    visits: visits.map((visit, v) =>
      visitOfDay(
        visit,
        done.filter(({ visitId }) => visitId === visit.id),
        alone[v]!.finish / 60,
        (taskId) => startOf.get(`${v}/${taskId}`)!,
      ),
    ),
    tasks: done.sort((a, b) => a.from - b.from),
    gaps: crew.people.flatMap(({ id }) => {
      const own = done.filter(({ personId }) => personId === id).sort((a, b) => a.from - b.from)
      return gapsOf(own).map((gap) => ({ personId: id, ...gap }))
    }),
    ends: Math.max(...done.map(({ to }) => to)),
  }
}

/**
 * How one client's visit comes out on the day.
 * @param takes min that it would take alone @param startOf s
 */
function visitOfDay(
  { id, arrives, visit }: DayVisit,
  own: readonly { from: number; to: number }[],
  takes: number,
  startOf: (taskId: string) => number,
): DayClock['visits'][number] {
  const [begins, ends] = [Math.min(...own.map(({ from }) => from)), Math.max(...own.map(({ to }) => to))]
  const over = visit.lags.reduce(
    (sum, { from, to, most = Infinity }) => sum + Math.max(0, startOf(to) - startOf(from) - most),
    0,
  )
  return { id, arrives, begins, ends, alone: takes, waits: Math.max(0, ends - arrives - takes), over: over / 60 }
}

function gapsOf(work: readonly { from: number; to: number }[]): { from: number; to: number }[] {
  const gaps: { from: number; to: number }[] = []
  let until = work[0]?.to ?? 0
  for (const { from, to } of work.slice(1)) {
    if (from - until >= GAP_MINUTES) gaps.push({ from: until, to: from })
    until = Math.max(until, to)
  }
  return gaps
}

/**
 * The earliest time on a quarter of an hour at which one more client fits in: everything is kept, and nobody sits much
 * longer than alone. Undefined where there is none.
 */
export function arrivalFor(
  others: readonly DayVisit[],
  added: Omit<DayVisit, 'arrives'>,
  crew: DayCrew,
  { opens, closes }: { opens: number; closes: number },
): { arrives: number; day: DayClock } | undefined {
  for (let arrives = opens; arrives < closes; arrives += ARRIVAL_STEP) {
    const day = dayFor([...others, { ...added, arrives }], crew, closes)
    if (day.fits && day.visits.every(({ waits }) => waits <= BEARABLE_WAIT)) return { arrives, day }
  }
  return undefined
}
