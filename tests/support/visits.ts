import type { Lag, Person, Problem, Task } from '@/core/time/schedule'

/**
 * A salon's day in made-up figures: clients with zones that are put in and taken out within their windows, a bowl and a
 * rinse each.
 */
export function visitProblem({
  clients,
  zones,
  people,
  seed = 0,
}: {
  clients: number
  zones: number
  people: readonly Person[]
  seed?: number
}): Problem {
  let state = seed + 1
  const between = (low: number, high: number) => {
    state = (state * 48271) % 2147483647
    return Math.round(low + (state / 2147483647) * (high - low))
  }
  const tasks: Task[] = []
  const lags: Lag[] = []
  for (let client = 0; client < clients; client++) {
    const key = (name: string) => `${client}/${name}`
    const mix: Task = { id: key('mix'), seconds: 180, skill: 'mix', release: client * 3600 }
    const rinse: Task = { id: key('rinse'), seconds: 500, skill: 'rinse', resource: 'basin' }
    tasks.push(mix)
    for (let zone = 0; zone < zones; zone++) {
      const on: Task = { id: key(`on${zone}`), seconds: between(300, 1200), skill: 'colour' }
      const out: Task = { id: key(`out${zone}`), seconds: between(100, 400), skill: 'rinse' }
      const least = on.seconds + between(600, 1200)
      tasks.push(on, out)
      lags.push(
        { from: mix.id, to: on.id, least: mix.seconds },
        { from: on.id, to: out.id, least, ideal: least + between(0, 900), most: least + between(1200, 2100) },
      )
      if (zone > 0) lags.push({ from: key(`on${zone - 1}`), to: on.id, least: 0 })
      lags.push({ from: out.id, to: rinse.id, least: out.seconds })
    }
    tasks.push(rinse)
  }
  return { tasks, lags, people, resources: { basin: 1, dryer: 1 } }
}
