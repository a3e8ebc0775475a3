import { database } from '@/db'
import { agent, KINDS, USERS } from './kinds'
import { row } from './row'

/** How many requests are answered when fifty people work at once; on loopback, bounded in number and time. */
const TURNS = 60
/** Turns before it counts: a server that was just started compiles what it is asked for. */
const WARMING_TURNS = 20
/** Each of them thinks so long between two requests, ms. */
const THINKS_MS = 300

/** As a salon works: mostly data, every fifth a page. */
const MIX = ['edit', 'a client', 'edit', 'a client', 'people', 'edit', 'a client', 'edit', 'a client', 'day'] as const
const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Everybody's turns; what each answer took, ms, and how many requests a server with too much to do left unanswered. */
async function work(turns: number): Promise<{ times: number[]; unanswered: number }> {
  const times: number[] = []
  let unanswered = 0
  await Promise.all(
    Array.from({ length: USERS }, async (_, user) => {
      await rest((user * THINKS_MS) / USERS)
      for (let i = 0; i < turns; i++) {
        const start = performance.now()
        const status = await KINDS[MIX[(user + i) % MIX.length]!](user)
        if (status === 200) times.push(performance.now() - start)
        else if (status >= 500) unanswered++
        else throw new Error(`status ${status}`)
        await rest(THINKS_MS)
      }
    }),
  )
  return { times, unanswered }
}

await work(WARMING_TURNS)
const began = performance.now()
const { times, unanswered } = await work(TURNS)
const perSecond = Math.round((1000 * times.length) / (performance.now() - began))
row('load', `${perSecond} requests/s of ${USERS} users, goal 120 with p95 < 300 ms, ${unanswered} not answered`, times)
agent.destroy()
await database().$client.end()
