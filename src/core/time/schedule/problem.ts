import type { Skill } from '../../model'
import { LONGER_WEIGHT, SHORTER_WEIGHT, VIOLATION_WEIGHT, HALVINGS, SAME_COST } from './constants'
export const RESOURCES = ['basin', 'dryer'] as const
export type Resource = (typeof RESOURCES)[number]

export interface Person {
  id: string
  name: string
  skills: readonly Skill[]
  /** When they can be had, s; left out: all the time. */
  from?: number | undefined
  to?: number | undefined
}

/** Work that, once begun, is done to its end by one person. Times in whole seconds. */
export interface Task {
  id: string
  seconds: number
  skill: Skill
  resource?: Resource | undefined
  /** Not before, s. */
  release?: number | undefined
  /** Who has begun it already; left out: whoever can. */
  by?: string | undefined
}

/** From the start of one task to the start of another at least and at most so long, s. */
export interface Lag {
  from: string
  to: string
  least: number
  most?: number | undefined
  /** How long it should be: hair is then near its goal. Less leaves it short, more strains it. */
  ideal?: number | undefined
}

export interface Problem {
  tasks: readonly Task[]
  lags: readonly Lag[]
  people: readonly Person[]
  /** How many there are of each. */
  resources: Record<Resource, number>
}

/** Who does what in which order: tasks in the order in which they are begun, each with its person. */
export interface Decision {
  task: number
  person: number
}

export interface Schedule {
  /** Start of each task, s, and index of its person; as `tasks`. */
  starts: Float64Array
  people: Int32Array
  finish: number
  /** By how much longest times are passed in all, s; 0 when everything fits. */
  violation: number
  /**
   * What is made as small as possible, whole seconds: finish, plus a tenth of what lags are longer than they should be,
   * half as much again as what they are shorter, and a thousand times the violation.
   */
  cost: number
}

/** Lags side by side: `wanted` is the ideal, within least and most. */
interface Arcs {
  from: Int32Array
  to: Int32Array
  least: Float64Array
  wanted: Float64Array
  most: Float64Array
  /** 1 where an ideal is given. */
  judged: Uint8Array
}

/** A problem with names resolved, ready to be timed many times. */
export interface Prepared extends Problem {
  arcs: Arcs
  /** Tasks that a task has to wait for, and for how long if all is as it should be. */
  before: readonly (readonly { task: number; least: number; wanted: number }[])[]
  able: readonly (readonly number[])[]
}

/** @throws Error when a lag names a task that is not there, or nobody can do a task */
export function prepare(problem: Problem): Prepared {
  const index = new Map(problem.tasks.map(({ id }, i) => [id, i]))
  const find = (id: string) => {
    const at = index.get(id)
    if (at === undefined) throw new Error(`A lag names the task ${id}, which is not there.`)
    return at
  }
  const { lags, tasks, people } = problem
  const wantedOf = ({ least, most = Infinity, ideal = least }: Lag) => Math.max(least, Math.min(ideal, most))
  const before = tasks.map((): { task: number; least: number; wanted: number }[] => [])
  for (const lag of lags) before[find(lag.to)]!.push({ task: find(lag.from), least: lag.least, wanted: wantedOf(lag) })
  const arcs: Arcs = {
    from: Int32Array.from(lags, ({ from }) => find(from)),
    to: Int32Array.from(lags, ({ to }) => find(to)),
    least: Float64Array.from(lags, ({ least }) => least),
    wanted: Float64Array.from(lags, wantedOf),
    most: Float64Array.from(lags, ({ most = Infinity }) => most),
    judged: Uint8Array.from(lags, ({ ideal }) => (ideal === undefined ? 0 : 1)),
  }
  const able = tasks.map(({ id, skill, by }) => {
    const capable = people.flatMap((person, i) =>
      (by === undefined ? person.skills.includes(skill) : person.id === by) ? [i] : [],
    )
    if (capable.length === 0) throw new Error(`Nobody here can do ${id}: it takes someone who can ${skill}.`)
    return capable
  })
  return { ...problem, arcs, before, able }
}

/**
 * Earliest starts under given decisions: each person and each basin takes tasks one after the other in that order.
 * Longest times are kept by beginning earlier tasks later. Where ideals cannot all be kept they give way to the least
 * evenly. Trouble stays local: where longest times cannot all be kept, of those that push each other in a circle the
 * latest is passed and its excess told, and every other one is kept as before.
 */
export const timed = (prepared: Prepared, decisions: readonly Decision[]): Schedule =>
  timedWithin(prepared, decisions, { most: Infinity })!

/** What is known of decisions before they are timed, and how much of it matters. */
interface Within {
  /** Nothing that costs more is asked for, so that it need not be found out in full. */
  most: number
  /** Starts that are not too late where everything is as wanted, which saves finding them. */
  known?: Float64Array
}

/** As {@link timed}, or undefined as soon as it is certain to cost more than the most. */
export function timedWithin(
  prepared: Prepared,
  decisions: readonly Decision[],
  { most, known }: Within,
): Schedule | undefined {
  const { tasks, people, arcs } = prepared
  const doers = new Int32Array(tasks.length)
  const released = new Float64Array(tasks.length)
  for (const { task, person } of decisions) {
    doers[task] = person
    released[task] = Math.max(tasks[task]!.release ?? 0, people[person]!.from ?? 0)
  }
  const links = turnsOf(prepared, decisions)
  const passed = new Uint8Array(arcs.from.length)
  const settledAt = (share: number): Float64Array | undefined => {
    const found = settle(released, arcs, links, share, passed)
    return 'starts' in found ? found.starts : undefined
  }
  const wanted = settle(known ?? released, arcs, links, 1, passed)
  if ('starts' in wanted) return judged(prepared, wanted.starts, doers)
  const least = passingLeast(released, arcs, links, passed, most)
  // With more than the least, everything only begins later.
  if (!least || finishOf(prepared, least) > most) return undefined
  let starts = least
  for (let [low, high, i] = [0, 1, 0]; i <= HALVINGS; i++) {
    // All of the way first, where what is passed was all that stood in it.
    const share = i === 0 ? 1 : (low + high) / 2
    const better = settledAt(share)
    if (better) [starts, low] = [better, share]
    else high = share
    if (low === 1) break
  }
  return judged(prepared, starts, doers)
}

/** What starts come to. @param doers index of each task's person */
export function judged(prepared: Prepared, starts: Float64Array, doers: Int32Array): Schedule {
  const { tasks, people, arcs } = prepared
  let [violation, longer, shorter] = [0, 0, 0]
  for (let i = 0; i < tasks.length; i++)
    violation += Math.max(0, starts[i]! + tasks[i]!.seconds - (people[doers[i]!]!.to ?? Infinity))
  for (let i = 0; i < arcs.from.length; i++) {
    const lag = starts[arcs.to[i]!]! - starts[arcs.from[i]!]!
    violation += Math.max(0, lag - arcs.most[i]!)
    if (!arcs.judged[i]) continue
    longer += Math.max(0, lag - arcs.wanted[i]!)
    shorter += Math.max(0, arcs.wanted[i]! - lag)
  }
  const finish = finishOf(prepared, starts)
  return {
    starts,
    people: doers,
    finish,
    violation,
    cost: Math.round(finish + LONGER_WEIGHT * longer + SHORTER_WEIGHT * shorter + VIOLATION_WEIGHT * violation),
  }
}

function finishOf({ tasks }: Prepared, starts: Float64Array): number {
  let finish = 0
  for (let i = 0; i < tasks.length; i++) finish = Math.max(finish, starts[i]! + tasks[i]!.seconds)
  return finish
}

/** Who follows whom: triples of an earlier task, a later one, and the seconds between their starts. */
function turnsOf({ tasks, people, resources }: Prepared, decisions: readonly Decision[]): number[] {
  const links: number[] = []
  const lastOf = new Int32Array(people.length).fill(-1)
  const queues: Record<Resource, number[]> = { basin: [], dryer: [] }
  for (const { task, person } of decisions) {
    const last = lastOf[person]!
    if (last >= 0) links.push(last, task, tasks[last]!.seconds)
    lastOf[person] = task
    const { resource } = tasks[task]!
    if (!resource) continue
    // With so many basins, a task waits for the one that many turns before.
    const queue = queues[resource]
    const earlier = queue[queue.length - resources[resource]]
    if (earlier !== undefined) links.push(earlier, task, tasks[earlier]!.seconds)
    queue.push(task)
  }
  return links
}

/**
 * Longest paths by repeated relaxation (Bellman 1958): starts that keep every lag between its least (or `share` of the
 * way from there to what is wanted) and its most, except the ones that are passed; or, where there are none, the
 * longest times of tasks that push each other in a circle.
 */
function settle(
  released: Float64Array,
  arcs: Arcs,
  links: readonly number[],
  share: number,
  passed: Uint8Array,
): { starts: Float64Array } | Circle {
  const starts = released.slice()
  const pushers: Pushers = {
    task: new Int32Array(starts.length).fill(-1),
    most: new Int32Array(starts.length).fill(-1),
    seconds: new Float64Array(starts.length),
  }
  while (pushed(starts, pushers, arcs, links, share, passed)) {
    const circle = circleOf(pushers)
    if (circle) return circle
  }
  return { starts }
}

/**
 * Starts that keep every least; longest times that stand in the way are passed one by one, and marked.
 * @returns undefined where that is certain to cost more than the most
 */
function passingLeast(
  released: Float64Array,
  arcs: Arcs,
  links: readonly number[],
  passed: Uint8Array,
  most: number,
): Float64Array | undefined {
  for (;;) {
    const found = settle(released, arcs, links, 0, passed)
    if ('starts' in found) return found.starts
    // A second less, as costs are whole and starts a little inexact.
    if (VIOLATION_WEIGHT * found.excess - 1 > most) return undefined
    if (found.circle.length === 0) throw new Error('Tasks wait for each other in a circle.')
    passed[found.circle.reduce((last, arc) => (arcs.from[arc]! > arcs.from[last]! ? arc : last))] = 1
  }
}

/** Who pushed each task last, by which longest time (−1: not by one), and how far from its own start, s. */
interface Pushers {
  task: Int32Array
  most: Int32Array
  seconds: Float64Array
}

/** Longest times of tasks that push each other in a circle, and by how much they cannot but be passed together, s. */
interface Circle {
  circle: number[]
  excess: number
}

/**
 * Pushes each task as far back as its neighbours ask, once round, and notes who pushed it last.
 * @returns whether anything moved
 */
function pushed(
  starts: Float64Array,
  pushers: Pushers,
  { from, to, least, wanted, most }: Arcs,
  links: readonly number[],
  share: number,
  passed: Uint8Array,
): boolean {
  let moved = false
  for (let i = 0; i < links.length; i += 3) {
    const [one, other] = [links[i]!, links[i + 1]!]
    const earliest = starts[one]! + links[i + 2]!
    if (starts[other]! >= earliest - SAME_COST) continue
    starts[other] = earliest
    pushers.task[other] = one
    pushers.most[other] = -1
    pushers.seconds[other] = links[i + 2]!
    moved = true
  }
  for (let i = 0; i < from.length; i++) {
    const one = from[i]!
    const other = to[i]!
    const lag = least[i]! + share * (wanted[i]! - least[i]!)
    const earliest = starts[one]! + lag
    if (starts[other]! < earliest - SAME_COST) {
      starts[other] = earliest
      pushers.task[other] = one
      pushers.most[other] = -1
      pushers.seconds[other] = lag
      moved = true
    }
    if (passed[i]) continue
    const latest = starts[other]! - most[i]!
    if (starts[one]! >= latest - SAME_COST) continue
    starts[one] = latest
    pushers.task[one] = other
    pushers.most[one] = i
    pushers.seconds[one] = -most[i]!
    moved = true
  }
  return moved
}

/** Following who pushed whom back to where it began: the longest times on the way, where there is such a circle. */
function circleOf({ task, most, seconds }: Pushers): Circle | undefined {
  const seen = new Int32Array(task.length).fill(-1)
  for (let start = 0; start < task.length; start++) {
    let at = start
    while (at >= 0 && seen[at]! < 0) {
      seen[at] = start
      at = task[at]!
    }
    if (at < 0 || seen[at] !== start) continue
    const circle: number[] = []
    let excess = 0
    for (let on = at, first = true; first || on !== at; on = task[on]!, first = false) {
      if (most[on]! >= 0) circle.push(most[on]!)
      excess += seconds[on]!
    }
    return { circle, excess }
  }
  return undefined
}
