import { exactSchedule, MOST_EXACT_TASKS } from './exact'
import { timed, type Decision, type Prepared, type Schedule } from './problem'

/** A search step's generator: mulberry32, a small one of good quality (public domain). The seed is fixed, so that equal problems give equal schedules. */
function generator(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

/** How many changes are tried. Our estimate: four times as many find less than 1 % on usual visits. */
const TRIES = 2000
/** Temperature of the annealing at its beginning, as a share of the best cost; it falls to nothing. Our estimate. */
const TEMPERATURE = 0.05

/** The best schedule where there are few tasks, a good one where there are many. */
export function findSchedule(prepared: Prepared): Schedule {
  const found = searchSchedule(prepared)
  return prepared.tasks.length <= MOST_EXACT_TASKS ? exactSchedule(prepared, found) : found
}

/**
 * A good schedule: tasks in the order given are handed to whoever can begin them first; then one task at a time is moved in the order, or given to
 * someone else. A worse schedule is sometimes kept, ever more rarely, which leads out of dead ends (simulated annealing; Kirkpatrick et al. 1983, from
 * memory).
 */
export function searchSchedule(prepared: Prepared): Schedule {
  const count = prepared.tasks.length
  let order = inOrder(prepared, [...prepared.tasks.keys()])
  let wishes = new Int32Array(count).fill(-1)
  const { decisions, begun } = dispatched(prepared, order, wishes)
  let now = timed(prepared, decisions, begun)
  let best = now
  const random = generator(count)
  const shared = prepared.people.length > 1
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const moved = [...order]
    const wished = wishes.slice()
    const from = Math.floor(random() * count)
    if (shared && random() < 0.4) {
      const task = order[from]!
      const able = prepared.able[task]!
      wished[task] = random() < 0.3 ? -1 : able[Math.floor(random() * able.length)]!
    } else {
      const [task] = moved.splice(from, 1)
      moved.splice(Math.floor(random() * count), 0, task!)
    }
    const valid = inOrder(prepared, moved)
    // Kept with probability exp(−Δ/T): the worst that this turn's chance lets pass is known beforehand.
    const passable = now.cost - TEMPERATURE * best.cost * (1 - attempt / TRIES) * Math.log(1 - random())
    const tried = dispatched(prepared, valid, wished)
    const next = timed(prepared, tried.decisions, tried.begun, passable)
    if (next.cost > passable) continue
    order = valid
    wishes = wished
    now = next
    if (now.cost < best.cost) best = now
  }
  return best
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

/** Hands tasks out in their order: to the person wished for, else to whoever can begin first and, among those, knows least else. With starts, longest times aside. */
function dispatched({ tasks, before, able, people }: Prepared, order: readonly number[], wishes: Int32Array): { decisions: Decision[]; begun: Float64Array } {
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
        if (theirs < mine || (theirs === mine && people[other]!.skills.length < people[person]!.skills.length)) person = other
      }
    begun[task] = Math.max(ready, free[person]!)
    free[person] = begun[task]! + tasks[task]!.seconds
    return { task, person }
  })
  return { decisions, begun }
}
