import { chance, sameElements } from '../../numeric'
import { exactSchedule } from './exact'
import { MOST_EXACT_TASKS, SEARCH_TRIES, SEARCH_TEMPERATURE, RUN_CHANCE, LONGEST_RUN } from './constants'
import { timed, timedWithin, type Decision, type Prepared, type Schedule } from './problem'

/** The best schedule where there are few tasks, a good one where there are many. */
export function findSchedule(prepared: Prepared): Schedule {
  const found = searchSchedule(prepared)
  return prepared.tasks.length <= MOST_EXACT_TASKS ? exactSchedule(prepared, found) : found
}

/**
 * A good schedule: the better of two searches, one from the tasks in the order given, one from the order in which they
 * become ready.
 */
export function searchSchedule(prepared: Prepared): Schedule {
  const starts = [[...prepared.tasks.keys()], byReadiness(prepared)]
  return starts
    .map((order) => annealed(prepared, order, SEARCH_TRIES / starts.length))
    .reduce((best, one) => (one.cost < best.cost ? one : best))
}

/**
 * Tasks are handed, in their order, to whoever can begin them first; then a task, or a few that follow one another, are
 * moved in the order, or one is given to someone else. A worse schedule is sometimes kept, ever more rarely, which
 * leads out of dead ends (simulated annealing; Kirkpatrick et al. 1983, from memory).
 */
function annealed(prepared: Prepared, first: readonly number[], tries: number): Schedule {
  const count = prepared.tasks.length
  let order = inOrder(prepared, first)
  let wishes = new Int32Array(count).fill(-1)
  let now = timed(prepared, dispatched(prepared, order, wishes).decisions)
  let best = now
  // From a fixed seed, so that equal problems give equal schedules.
  const { even: random } = chance(count)
  const shared = prepared.people.length > 1
  for (let attempt = 0; attempt < tries; attempt++) {
    let [valid, wished] = [order, wishes]
    const from = Math.floor(random() * count)
    if (shared && random() < 0.4) {
      const task = order[from]!
      const able = prepared.able[task]!
      wished = wishes.with(task, random() < 0.3 ? -1 : able[Math.floor(random() * able.length)]!)
    } else {
      const moved = [...order]
      const run = moved.splice(from, random() < RUN_CHANCE ? 1 + Math.floor(random() * LONGEST_RUN) : 1)
      moved.splice(Math.floor(random() * (moved.length + 1)), 0, ...run)
      valid = inOrder(prepared, moved)
    }
    // Kept with probability exp(−Δ/T): the worst that this turn's chance lets pass is known beforehand.
    const passable = now.cost - SEARCH_TEMPERATURE * best.cost * (1 - attempt / tries) * Math.log(1 - random())
    // Most moves in a small problem lead back to where one stands.
    if (sameElements(valid, order) && sameElements(wished, wishes)) continue
    const tried = dispatched(prepared, valid, wished)
    const next = timedWithin(prepared, tried.decisions, { most: passable, known: tried.begun })
    if (!next || next.cost > passable) continue
    order = valid
    wishes = wished
    now = next
    if (now.cost < best.cost) best = now
  }
  return best
}

/** Tasks in the order in which they could be begun if whoever is free always took what is ready first. */
function byReadiness({ tasks, before, able, people }: Prepared): number[] {
  const free = Float64Array.from(people, ({ from }) => from ?? 0)
  const begun = new Float64Array(tasks.length)
  const left = new Set(tasks.keys())
  const order: number[] = []
  while (left.size > 0) {
    let [next, soonest, doer] = [-1, Infinity, 0]
    for (const task of left) {
      if (before[task]!.some((one) => left.has(one.task))) continue
      const ready = before[task]!.reduce(
        (latest, one) => Math.max(latest, begun[one.task]! + one.wanted),
        tasks[task]!.release ?? 0,
      )
      for (const person of able[task]!) {
        const at = Math.max(ready, free[person]!)
        if (at < soonest) [next, soonest, doer] = [task, at, person]
      }
    }
    begun[next] = soonest
    free[doer] = soonest + tasks[next]!.seconds
    left.delete(next)
    order.push(next)
  }
  return order
}

/** Brings an order into one that is possible, moving as little as can be. */
function inOrder({ before }: Prepared, wanted: readonly number[]): number[] {
  const order: number[] = []
  const placed = new Uint8Array(before.length)
  const place = (task: number) => {
    if (placed[task]) return
    placed[task] = 1
    for (const { task: earlier } of before[task]!) place(earlier)
    order.push(task)
  }
  wanted.forEach(place)
  return order
}

/**
 * Hands tasks out in their order: to the person wished for, else to whoever can begin first and, among those, knows
 * least else. With starts, longest times aside.
 */
function dispatched(
  { tasks, before, able, people }: Prepared,
  order: readonly number[],
  wishes: Int32Array,
): { decisions: Decision[]; begun: Float64Array } {
  const free = Float64Array.from(people, ({ from }) => from ?? 0)
  const begun = new Float64Array(tasks.length)
  const decisions = order.map((task) => {
    let ready = tasks[task]!.release ?? 0
    for (const { task: earlier, wanted } of before[task]!) ready = Math.max(ready, begun[earlier]! + wanted)
    let person = wishes[task]!
    if (person < 0)
      for (const other of able[task]!) {
        const mine = person < 0 ? Infinity : Math.max(ready, free[person]!)
        const theirs = Math.max(ready, free[other]!)
        if (theirs < mine || (theirs === mine && people[other]!.skills.length < people[person]!.skills.length))
          person = other
      }
    begun[task] = Math.max(ready, free[person]!)
    free[person] = begun[task]! + tasks[task]!.seconds
    return { task, person }
  })
  return { decisions, begun }
}
