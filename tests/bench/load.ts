import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { v7 as newId } from 'uuid'
import { database } from '@/db'
import { BASE_URL, deviceOf, newClient, newPlan } from '../support/server'
import { row } from './row'

/**
 * What a request costs the server's processor, and how many it answers when fifty people work at once; on loopback,
 * bounded in number and time. FALTO_BENCH_SERVER is the server's process.
 */
const server = Number(process.env['FALTO_BENCH_SERVER'])
const USERS = 50
const TURNS = 20
/** Each of them thinks so long between two requests, ms. */
const THINKS_MS = 300
/** A tick of the kernel's clock, ms (`getconf CLK_TCK` is 100 on Linux). */
const TICK_MS = 10

const device = await deviceOf('oriel')
const agent = new Agent({ keepAlive: true, maxSockets: USERS })
const send = (method: string, path: string, body?: object): Promise<number> =>
  new Promise((resolve, reject) => {
    const headers = { cookie: device.cookie, origin: BASE_URL, 'content-type': 'application/json' }
    const sent = request(BASE_URL + path, { method, agent, headers }, (answer) => {
      answer.resume()
      answer.on('end', () => resolve(answer.statusCode!))
    })
    sent.on('error', reject)
    sent.end(body && JSON.stringify(body))
  })

/** Processor time that the server has used so far, its own threads included, ms. */
function used(): number {
  const fields = readFileSync(`/proc/${server}/stat`, 'utf8').split(') ')[1]!.split(' ')
  return (Number(fields[11]) + Number(fields[12])) * TICK_MS
}

const clientId = await newClient(device, 'Under load')
const plans = await Promise.all(
  Array.from({ length: USERS }, async () => ({ id: await newPlan(device, clientId), revision: 0 })),
)
let turn = 0
/** Edits go to a plan of each user's own, one after the other, as they do in a studio. */
async function edit(user: number): Promise<number> {
  const plan = plans[user % USERS]!
  const patches = [{ op: 'replace', path: ['name'], value: `Name ${turn++}` }]
  const operations = [{ id: newId(), kind: 'edit', label: 'Renamed', patches }]
  return send('POST', `/api/plans/${plan.id}/operations`, { baseRevision: plan.revision++, operations })
}

const KINDS: Record<string, (user: number) => Promise<number>> = {
  edit,
  'a client': () => send('GET', `/api/clients/${clientId}`),
  people: () => send('GET', '/people'),
  day: () => send('GET', '/day'),
  shelf: () => send('GET', '/shelf'),
}

for (const [name, ask] of Object.entries(KINDS)) {
  const rounds: number[] = []
  for (let round = 0; round < 6; round++) {
    const before = used()
    const COUNT = 60
    for (let i = 0; i < COUNT; i++) if ((await ask(round)) !== 200) throw new Error(`${name} failed`)
    // The first round compiles.
    if (round > 0) rounds.push((used() - before) / COUNT)
  }
  row('cpu', `${name}: processor time of a request, rounds of sixty`, rounds)
}

/** As a salon works: mostly data, every fifth a page. */
const MIX = ['edit', 'a client', 'edit', 'a client', 'people', 'edit', 'a client', 'edit', 'a client', 'day'] as const
const times: number[] = []
const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const began = performance.now()
await Promise.all(
  Array.from({ length: USERS }, async (_, user) => {
    await rest((user * THINKS_MS) / USERS)
    for (let i = 0; i < TURNS; i++) {
      const start = performance.now()
      const status = await KINDS[MIX[(user + i) % MIX.length]!]!(user)
      if (status !== 200) throw new Error(`status ${status}`)
      times.push(performance.now() - start)
      await rest(THINKS_MS)
    }
  }),
)
const seconds = (performance.now() - began) / 1000
row('load', `${Math.round((USERS * TURNS) / seconds)} requests/s of ${USERS} users, goal 120 with p95 < 300 ms`, times)
agent.destroy()
await database().$client.end()
