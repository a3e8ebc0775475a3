import { sql } from 'drizzle-orm'
import { Agent, request } from 'node:http'
import { v7 as newId } from 'uuid'
import { client, database, salon } from '@/db'
import { DEMO_CLIENTS } from '@/demo'
import { row } from '../bench/row'
import { BASE_URL, beginRun, deviceOf, newClient, newPlan } from '../support/server'

/**
 * What several processes behind a proxy bear: fifty people who read in a salon of ten thousand clients and a hundred
 * thousand visits, and five hundred chairs that only listen. FALTO_DRILL_SERVERS names the processes' own addresses.
 */
const CLIENTS = 10_000
const VISITS = 100_000
const USERS = 50
const READS_PER_USER = 40
const BETWEEN_READS_MS = 1000
const STREAMS = 500
/** Streams at once to each person; see `MOST_OF_ONE` of src/server/runs. */
const PEOPLE = ['oriel', 'bram', 'tove']

const salonId = (await database().select({ id: salon.id }).from(salon).limit(1))[0]!.id
const ids = Array.from({ length: CLIENTS }, () => newId())
const { head, hair } = DEMO_CLIENTS[0]!
for (let at = 0; at < CLIENTS; at += 1000)
  await database()
    .insert(client)
    .values(
      ids
        .slice(at, at + 1000)
        .map((id, i) => ({ salonId, id, name: `Person ${at + i} of Brindle`, note: '', head, hair })),
    )
// What the demo's visits came to, over and over, on other days and with other people.
await database().execute(sql`
  insert into visit (salon_id, client_id, id, plan_id, plan_version, "on", staff_id, summary, figures, formulas, created_at)
  select v.salon_id, c.id, gen_random_uuid(), v.plan_id, v.plan_version, v."on" - g, v.staff_id, v.summary, v.figures, v.formulas, v.created_at
  from (select *, row_number() over () as n from (select * from visit where figures is not null order by id limit 25) own) v,
    generate_series(1, ${VISITS / 25}) g
    join (select id, row_number() over () as n from client where salon_id = ${salonId}) c on c.n = 1 + g % ${CLIENTS}`)
await database().execute(sql`vacuum analyze`)

const device = await deviceOf('oriel')
const agent = new Agent({ keepAlive: true, maxSockets: USERS })
const read = (path: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const sent = request(BASE_URL + path, { agent, headers: { cookie: device.cookie } }, (answer) => {
      answer.resume()
      answer.on('end', () => resolve(answer.statusCode!))
    })
    sent.on('error', reject)
    sent.end()
  })
const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

const KINDS: readonly { what: string; path: (n: number) => string }[] = [
  { what: 'the first 200 clients', path: () => '/api/clients' },
  { what: 'a search', path: (n) => `/api/clients?search=person%20${n % CLIENTS}` },
  { what: 'a client', path: (n) => `/api/clients/${ids[n % CLIENTS]}` },
  { what: 'a page of visits', path: () => '/api/visits' },
]
const times = KINDS.map((): number[] => [])
await Promise.all(
  Array.from({ length: USERS }, async (_, user) => {
    await rest((user * BETWEEN_READS_MS) / USERS)
    for (let turn = 0; turn < READS_PER_USER; turn++) {
      const kind = (user + turn) % KINDS.length
      const start = performance.now()
      const status = await read(KINDS[kind]!.path(user * READS_PER_USER + turn))
      if (status !== 200) throw new Error(`status ${status}`)
      const took = performance.now() - start
      // The first ones are still being compiled.
      if (turn >= READS_PER_USER / 4) times[kind]!.push(took)
      await rest(Math.max(0, BETWEEN_READS_MS - took))
    }
  }),
)
row(
  'proxied',
  `all reads, ${USERS} people once a second, ${CLIENTS} clients, ${VISITS} visits, goal p95 < 50 ms`,
  times.flat(),
)
KINDS.forEach(({ what }, i) => row('proxied', what, times[i]!))

/** Memory of all processes, MB. */
async function memory(): Promise<number> {
  const servers = process.env['FALTO_DRILL_SERVERS']!.split(' ')
  const told = await Promise.all(servers.map(async (url) => (await fetch(`${url}/metrics`)).text()))
  const bytes = told.map((text) => Number(/^\w*process_resident_memory_bytes (\S+)/m.exec(text)![1]))
  return bytes.reduce((sum, own) => sum + own, 0) / 1e6
}

const runId = await beginRun(
  device,
  await newPlan(device, await newClient(device, 'Listened to'), { service: 'topAndSides' }),
)
const cookies = await Promise.all(PEOPLE.map(async (name) => (await deviceOf(name)).cookie))
const before = await memory()
let heard = 0
const streams = new Agent({ keepAlive: false, maxSockets: Infinity })
await Promise.all(
  Array.from(
    { length: STREAMS },
    (_, i) =>
      new Promise<void>((resolve, reject) => {
        const headers = { cookie: cookies[i % cookies.length]! }
        const sent = request(`${BASE_URL}/api/runs/${runId}/stream?after=0`, { agent: streams, headers }, (answer) => {
          if (answer.statusCode !== 200) reject(new Error(`status ${answer.statusCode}`))
          answer.on('data', (part: Buffer) => (heard += part.toString().includes('"kind":"ended"') ? 1 : 0))
          answer.once('data', () => resolve())
        })
        sent.on('error', reject)
        sent.end()
      }),
  ),
)
// A heartbeat of all of them, so that what they cost has come up.
await rest(16_000)
const after = await memory()
console.log(
  `${STREAMS} streams that only listen: ${(after - before).toFixed(0)} MB more in all processes (${before.toFixed(0)} to ${after.toFixed(0)}), goal < 300 MB`,
)
const told = performance.now()
const event = { id: newId(), kind: 'ended', deviceId: newId(), deviceSeq: 0, deviceTime: Date.now(), offsetMs: 0 }
await device.call('POST', `/api/runs/${runId}/events`, { events: [event], after: 0 })
while (heard < STREAMS && performance.now() - told < 20_000) await rest(5)
console.log(`${heard} of them heard one event within ${(performance.now() - told).toFixed(0)} ms`)
process.exit(heard === STREAMS ? 0 : 1)
