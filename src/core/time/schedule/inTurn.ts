import { judged, prepare, type Problem, type Schedule } from './problem'
import { findSchedule } from './search'

/**
 * Schedules parts of the work that follow one another, each on what the parts before have settled: what comes later
 * never changes what is done before it.
 * @param partOf of each task, from 0 in the order in which parts are done; longest times lie within parts
 * @throws Error when nobody can do a task
 */
export function scheduleInTurn(problem: Problem, partOf: readonly number[]): Schedule {
  const { tasks, lags, people } = problem
  const index = new Map(tasks.map(({ id }, i) => [id, i]))
  const starts = new Float64Array(tasks.length)
  const doers = new Int32Array(tasks.length)
  const free = people.map(({ from = 0 }) => from)
  const parts = Math.max(...partOf)
  for (let part = 0; part <= parts; part++) {
    const own = [...tasks.keys()].filter((i) => partOf[i] === part)
    const isOwn = (id: string) => partOf[index.get(id)!] === part
    const released = new Map<string, number>()
    for (const { from, to, least } of lags)
      if (isOwn(to) && !isOwn(from))
        released.set(to, Math.max(released.get(to) ?? 0, starts[index.get(from)!]! + least))
    const schedule = findSchedule(
      prepare({
        ...problem,
        tasks: own.map((i) => {
          const { release = 0, ...task } = tasks[i]!
          return { ...task, release: Math.max(release, released.get(task.id) ?? 0) }
        }),
        lags: lags.filter(({ from, to }) => isOwn(from) && isOwn(to)),
        people: people.map((person, k) => ({ ...person, from: free[k]! })),
      }),
    )
    own.forEach((i, k) => {
      const doer = schedule.people[k]!
      starts[i] = schedule.starts[k]!
      doers[i] = doer
      free[doer] = Math.max(free[doer]!, starts[i] + tasks[i]!.seconds)
    })
  }
  return judged(prepare(problem), starts, doers)
}
