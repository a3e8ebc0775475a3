import type { Problem, Task } from './problem'

/**
 * The soonest that work could end if nobody waited for anybody: part after part, the greatest of the longest chain of
 * tasks, all work shared among all hands, and all that has to be done before the last wait together with the shortest
 * wait. Pieces have the time they want, or what the schedule gives them where that is less; so no schedule that gives
 * them as much ends sooner.
 * @param partOf as for `scheduleInTurn` @param starts of the schedule it is held against, s @returns s
 */
export function soonestFinish(
  { tasks, lags, people }: Problem,
  partOf: readonly number[],
  starts: ArrayLike<number>,
): number {
  const index = new Map(tasks.map(({ id }, i) => [id, i]))
  const parts = Math.max(...partOf)
  let end = 0
  for (let part = 0; part <= parts; part++) {
    const own = tasks.filter((_, i) => partOf[i] === part)
    const isOwn = (id: string) => partOf[index.get(id)!] === part
    const waits = lags
      .filter(({ from, to }) => isOwn(from) && isOwn(to))
      .map(({ from, to, least, ideal = least }) => {
        const given = starts[index.get(to)!]! - starts[index.get(from)!]!
        return { from, to, seconds: Math.max(least, Math.min(ideal, given)) }
      })
    end += Math.max(longestChain(own, waits), sum(own) / people.length, lastWait(own, waits, people.length))
  }
  return end
}

type Wait = { from: string; to: string; seconds: number }

const sum = (tasks: readonly Pick<Task, 'seconds'>[]): number => tasks.reduce((all, { seconds }) => all + seconds, 0)

/** Tasks and waits that follow one another, the longest way through, s. */
function longestChain(tasks: readonly Task[], waits: readonly Wait[]): number {
  const starts = new Map(tasks.map(({ id }) => [id, 0]))
  for (let moved = true; moved;) {
    moved = false
    for (const { from, to, seconds } of waits) {
      const earliest = starts.get(from)! + seconds
      if (earliest <= starts.get(to)!) continue
      starts.set(to, earliest)
      moved = true
    }
  }
  return Math.max(0, ...tasks.map(({ id, seconds }) => starts.get(id)! + seconds))
}

/** All that puts something on, shared, then the shortest wait after any of it, and all that no hand can do before. */
function lastWait(tasks: readonly Task[], waits: readonly Wait[], hands: number): number {
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const waiting = waits.filter(({ from, seconds }) => seconds > byId.get(from)!.seconds)
  if (waiting.length === 0) return 0
  const before = new Set<string>()
  const grow = (id: string) => {
    if (before.has(id)) return
    before.add(id)
    for (const { from, to } of waits) if (to === id) grow(from)
  }
  for (const { from } of waiting) grow(from)
  const putOn = sum([...before].map((id) => byId.get(id)!))
  // One pair of hands puts things on in their order, so what another one follows is not the last that waits.
  const waitsFor = new Set(waiting.map(({ from, to }) => `${from} ${to}`))
  const isFollowed = ({ from, to }: Wait) => waits.some((one) => one.from === from && waitsFor.has(`${one.to} ${to}`))
  const last = hands === 1 ? waiting.filter((wait) => !isFollowed(wait)) : waiting
  const shortest = Math.min(
    ...last.map(({ from, to, seconds }) => seconds - byId.get(from)!.seconds + tail(byId.get(to)!, waits, byId)),
  )
  return putOn / hands + shortest
}

/** A task with all that has to follow it, s. */
function tail(task: Task, waits: readonly Wait[], byId: ReadonlyMap<string, Task>): number {
  const next = waits.filter(({ from }) => from === task.id)
  return Math.max(task.seconds, ...next.map(({ to, seconds }) => seconds + tail(byId.get(to)!, waits, byId)))
}
