import { LONGER_WEIGHT, SHORTER_WEIGHT, VIOLATION_WEIGHT, HALVINGS, SAME_COST } from './constants'
/** What a task needs someone to know. */
export const SKILLS = ['colour', 'mix', 'rinse', 'dry'] as const
export type Skill = (typeof SKILLS)[number]
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
 * evenly; where no starts keep the longest times, those are passed and the excess is told.
 * @param known starts that are not too late where everything is as wanted, which saves finding them
 * @param noMatterAbove a cost above which nobody asks how ideals give way, so that this need not be found out
 */
export function timed(
  prepared: Prepared,
  decisions: readonly Decision[],
  known?: Float64Array,
  noMatterAbove = Infinity,
): Schedule {
  const { tasks, people, arcs } = prepared
  const doers = new Int32Array(tasks.length)
  const released = new Float64Array(tasks.length)
  for (const { task, person } of decisions) {
    doers[task] = person
    released[task] = Math.max(tasks[task]!.release ?? 0, people[person]!.from ?? 0)
  }
  const links = turnsOf(prepared, decisions)
  let starts = settled(known ?? released, arcs, links, 1)
  if (!starts) {
    starts = settled(released, arcs, links, 0)
    if (starts && finishOf(prepared, starts) <= noMatterAbove)
      for (let [low, high, i] = [0, 1, 0]; i < HALVINGS; i++) {
        const middle = (low + high) / 2
        const better = settled(released, arcs, links, middle)
        if (better) [starts, low] = [better, middle]
        else high = middle
      }
  }
  starts ??= passing(released, arcs, links)
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
 * way from there to what is wanted) and its most; undefined where there are none, which shows as tasks that push each
 * other in a circle.
 */
function settled(
  released: Float64Array,
  arcs: Arcs,
  links: readonly number[],
  share: number,
): Float64Array | undefined {
  const starts = released.slice()
  const pushers = new Int32Array(starts.length).fill(-1)
  while (pushed(starts, pushers, arcs, links, share, 'kept')) if (hasCircle(pushers)) return undefined
  return starts
}

/** Starts that keep every least, whatever is passed. */
function passing(released: Float64Array, arcs: Arcs, links: readonly number[]): Float64Array {
  const starts = released.slice()
  const pushers = new Int32Array(starts.length).fill(-1)
  while (pushed(starts, pushers, arcs, links, 0, 'passed') && !hasCircle(pushers));
  return starts
}

/**
 * Pushes each task as far back as its neighbours ask, once round, and notes who pushed it last.
 * @returns whether anything moved
 */
function pushed(
  starts: Float64Array,
  pushers: Int32Array,
  { from, to, least, wanted, most }: Arcs,
  links: readonly number[],
  share: number,
  longest: 'kept' | 'passed',
): boolean {
  let moved = false
  for (let i = 0; i < links.length; i += 3) {
    const [one, other] = [links[i]!, links[i + 1]!]
    const earliest = starts[one]! + links[i + 2]!
    if (starts[other]! >= earliest - SAME_COST) continue
    starts[other] = earliest
    pushers[other] = one
    moved = true
  }
  for (let i = 0; i < from.length; i++) {
    const one = from[i]!
    const other = to[i]!
    const earliest = starts[one]! + least[i]! + share * (wanted[i]! - least[i]!)
    if (starts[other]! < earliest - SAME_COST) {
      starts[other] = earliest
      pushers[other] = one
      moved = true
    }
    if (longest === 'passed') continue
    const latest = starts[other]! - most[i]!
    if (starts[one]! >= latest - SAME_COST) continue
    starts[one] = latest
    pushers[one] = other
    moved = true
  }
  return moved
}

/** Whether following who pushed whom comes back to where it began. */
function hasCircle(pushers: Int32Array): boolean {
  const seen = new Int32Array(pushers.length).fill(-1)
  for (let start = 0; start < pushers.length; start++) {
    let at = start
    while (at >= 0 && seen[at]! < 0) {
      seen[at] = start
      at = pushers[at]!
    }
    if (at >= 0 && seen[at] === start) return true
  }
  return false
}
