import { byId } from '@/core/model'
import { eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { client, database, plan, salon } from '@/db'
import { DEMO_CATALOGUE, DEMO_CLIENTS } from '@/demo'
import { csvOfCatalogue } from '@/server/shelf'
import { BASE_URL, deviceOf } from '../support/server'
import { row } from './row'

/** Reads of a large salon by many people, each of whom reads once a second; on loopback, bounded in number and time. */
const CLIENTS = 10_000
const PLANS = 20_000
const USERS = 50
const READS_PER_USER = 20
/** Reads of every user that do not count: a server that has just started is still being compiled. */
const WARM_UP = 5
const BETWEEN_READS_MS = 1000

const [own] = await database().select({ id: salon.id }).from(salon).limit(1)
const salonId = own!.id
const model = DEMO_CLIENTS[0]!
const document = model.plan(newId)
const ids = Array.from({ length: CLIENTS }, () => newId())
for (let at = 0; at < CLIENTS; at += 1000)
  await database()
    .insert(client)
    .values(
      ids.slice(at, at + 1000).map((id, i) => ({
        salonId,
        id,
        name: `Person ${at + i} of Brindle`,
        note: '',
        head: model.head,
        hair: model.hair,
      })),
    )
for (let at = 0; at < PLANS; at += 250)
  await database()
    .insert(plan)
    .values(
      Array.from({ length: 250 }, (_, i) => ({
        salonId,
        id: newId(),
        clientId: ids[(at + i) % CLIENTS]!,
        name: document.name,
        document,
      })),
    )
await database().execute('analyze')
const [onePlan] = await database().select({ id: plan.id }).from(plan).where(eq(plan.clientId, ids[7]!)).limit(1)

const device = await deviceOf('oriel')
const paths = [
  () => '/api/clients',
  (n: number) => `/api/clients?search=person%20${n % CLIENTS}`,
  (n: number) => `/api/clients/${ids[n % CLIENTS]}`,
  () => `/api/plans/${onePlan!.id}`,
]
/** As a browser reads: over connections that it keeps. */
async function read(path: string): Promise<number> {
  const answer = await fetch(`${BASE_URL}${path}`, { headers: { cookie: device.cookie } })
  await answer.arrayBuffer()
  return answer.status
}
const times = new Map<number, number[]>(paths.map((_, i) => [i, []]))
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
await Promise.all(
  Array.from({ length: USERS }, async (_, user) => {
    await pause((user * BETWEEN_READS_MS) / USERS)
    for (let turn = -WARM_UP; turn < READS_PER_USER; turn++) {
      const kind = (user + turn + WARM_UP) % paths.length
      const start = performance.now()
      const status = await read(paths[kind]!(user * READS_PER_USER + turn + WARM_UP))
      if (status !== 200) throw new Error(`status ${status}`)
      const took = performance.now() - start
      if (turn >= 0) times.get(kind)!.push(took)
      await pause(Math.max(0, BETWEEN_READS_MS - took))
    }
  }),
)
const what = ['the first 200 clients', 'a search', 'a client with her plans', 'a plan with its history']
paths.forEach((_, i) =>
  row(
    'api read',
    `${what[i]}; ${CLIENTS} clients, ${PLANS} plans, ${USERS} users reading once a second, budget p95 < 50 ms`,
    times.get(i)!,
  ),
)

/** A catalogue of thousands: shown first, then taken over, then the same again. */
const PRODUCTS = 5000
const shade = byId(DEMO_CATALOGUE, 'lull-8-beige')
const file = (price: number) =>
  csvOfCatalogue(
    Array.from({ length: PRODUCTS }, (_, i) => ({
      ...shade,
      id: `bench-${i}`,
      name: `Bench ${i}`,
      pack: { ...shade.pack, priceMinor: price },
    })),
  )
const csv = { preview: [] as number[], commit: [] as number[] }
for (let run = 0; run < 5; run++)
  for (const [kind, path] of [
    ['preview', ''],
    ['commit', '?commit'],
  ] as const) {
    const start = performance.now()
    const { body } = await device.call('POST', `/api/products/import${path}`, file(700 + run))
    if (!String(body['text']).includes(`"committed":${String(kind === 'commit')}`)) throw new Error('the import failed')
    csv[kind].push(performance.now() - start)
  }
row('csv', `${PRODUCTS} products shown`, csv.preview)
row('csv', `${PRODUCTS} products taken over`, csv.commit)
await database().$client.end()
