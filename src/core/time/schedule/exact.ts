import { timedWithin, type Decision, type Prepared, type Schedule } from './problem'

/**
 * The best schedule there is, by trying every order in which tasks can be begun and every person who can do them;
 * branches that cannot end before the best one known are left out. For small problems, and as the measure of what
 * serves large ones.
 */
export function exactSchedule(prepared: Prepared, start?: Schedule): Schedule {
  const { tasks, before, able, people } = prepared
  const tails = tailsOf(prepared)
  const decisions: Decision[] = []
  const begun = new Float64Array(tasks.length).fill(-1)
  const free = Float64Array.from(people, ({ from }) => from ?? 0)
  let best = start
  const visit = () => {
    if (decisions.length === tasks.length) {
      const schedule = timedWithin(prepared, decisions, { most: best?.cost ?? Infinity })
      if (schedule && (!best || schedule.cost < best.cost)) best = schedule
      return
    }
    for (let task = 0; task < tasks.length; task++) {
      if (begun[task]! >= 0 || before[task]!.some(({ task: earlier }) => begun[earlier]! < 0)) continue
      for (const person of able[task]!) {
        const at = before[task]!.reduce(
          (latest, { task: earlier, least }) => Math.max(latest, begun[earlier]! + least),
          Math.max(free[person]!, tasks[task]!.release ?? 0),
        )
        if (best && at + tails[task]! > best.cost) continue
        const idle = free[person]!
        begun[task] = at
        free[person] = at + tasks[task]!.seconds
        decisions.push({ task, person })
        visit()
        decisions.pop()
        begun[task] = -1
        free[person] = idle
      }
    }
  }
  visit()
  return best!
}

/** From the start of a task to the end of everything that has to follow it, at least, s. */
function tailsOf({ tasks, arcs: { from, to, least } }: Prepared): Float64Array {
  const tails = Float64Array.from(tasks, ({ seconds }) => seconds)
  for (let round = 0; round < tasks.length; round++)
    for (let i = 0; i < from.length; i++) tails[from[i]!] = Math.max(tails[from[i]!]!, least[i]! + tails[to[i]!]!)
  return tails
}
