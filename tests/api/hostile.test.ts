import { Agent, request } from 'node:http'
import { v7 as newId } from 'uuid'
import { chance } from '@/core/numeric'
import { database } from '@/db'
import { ROUTES } from '@/server/auth'
import { BASE_URL, beginRun, exported, newClient, newPlan, type Device } from '../support/server'
import { closeDatabase, newSalon } from '../support/salon'

/**
 * Twenty thousand requests that nobody of good will sends: every field of every entry bent in a few ways, then every
 * route with entries, addresses and queries bent by chance, from one seed, so that two runs ask the same. Each gets an
 * answer that is not the server's own failure.
 */
jest.setTimeout(900_000)

const WANTED = 20_000
const AT_ONCE = 12
const { even } = chance(20_261_129)
const one = <T>(list: readonly T[]): T => list[Math.floor(even() * list.length)]!

const DEEP = '['.repeat(3000) + ']'.repeat(3000)
/** Values that have broken something before, or elsewhere. */
const HOSTILE: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  0,
  -1,
  0.5,
  1e308,
  -0,
  2 ** 31,
  2 ** 53 + 2,
  [],
  [[]],
  [[[[]]]],
  [null],
  {},
  { a: { b: { c: [] } } },
  { constructor: { prototype: {} } },
  { toString: 1, valueOf: null },
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\u202Egnp.exe',
  '%ff',
  "'; drop table client; --",
  '<script>alert(1)</script>',
  '=1+1',
  '2026-02-31',
  '0000-00-00',
  '9999999999999999999999',
  'NaN',
  'x'.repeat(20_000),
  Array.from({ length: 500 }, () => 'x'),
  Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`k${i}`, i])),
  '../../../../etc/passwd',
  'javascript:alert(1)',
  '00000000-0000-0000-0000-000000000000',
]
/** Whole bodies that are no entries at all. */
const BODIES: readonly string[] = [
  '',
  'null',
  '0',
  '""',
  '[]',
  '{',
  '{"a":}',
  '\u0000',
  '\ufeff{}',
  DEEP,
  '{"__proto__":{"polluted":true}}',
  '{"constructor":{"prototype":{"polluted":true}}}',
  `{"a":${'1'.repeat(5000)}}`,
  '{"a":1e99999}',
  '{"id":"x","id":"y"}',
  `{${Array.from({ length: 3000 }, (_, i) => `"k${i}":0`).join(',')}}`,
  '\xff\xfe',
]
const IDS = ['x', '%ff', '%00', '..', '%2e%2e%2f', 'null', '-1', '1e9', "'", 'a'.repeat(3000), newId(), '%F0%9F%92%A9']
const QUERIES = [
  '',
  '?',
  '?after=-1',
  '?after=1&after=2',
  '?after=%ff',
  '?search=%00',
  '?search=' + '%25'.repeat(200),
  '?search=a&search=b',
  '?on=9999-99-99',
  '?on[]=1',
  '?size=constructor',
  '?__proto__=1',
  '?before=x',
  '?words=%F0%9F&from=2026-02-31&to=x&incident=y',
  '?name=' + 'n'.repeat(5000),
]

let owner: Device
/** Entries that would be taken, by route. */
let entries: Record<string, unknown>
let ids: Record<string, string[]>
let importsId: string

beforeAll(async () => {
  owner = (await newSalon()).devices.owner
  const clientId = await newClient(owner, 'Bent')
  // Plans that are taken in stay; the others' client would have a thousand of them.
  importsId = await newClient(owner, 'Taken in')
  const planId = await newPlan(owner, clientId)
  const runId = await beginRun(owner, await newPlan(owner, clientId, { service: 'topAndSides' }))
  const doneId = await newPlan(owner, clientId, { service: 'topAndSides' })
  const on = new Date().toISOString().slice(0, 10)
  const { visitId } = (await owner.call('POST', `/api/plans/${doneId}/done`, { on })).body as { visitId: string }
  const document = await exported(owner, planId)
  const client = (await owner.call('GET', `/api/clients/${clientId}`)).body
  const consultation = (await owner.call('GET', `/api/clients/${clientId}/consultation`)).body
  const rates = (await owner.call('GET', '/api/rates')).body
  const item = {
    id: 'bent-dev',
    line: 'Bent',
    name: 'Bent developer',
    kind: 'developer',
    developerVol: 20,
    pack: { grams: 1000, priceMinor: 900 },
  }
  await owner.call('PUT', '/api/products', { item })
  const event = { id: newId(), kind: 'delayed', deviceId: newId(), deviceSeq: 0, deviceTime: Date.now(), offsetMs: 0 }
  ids = {
    clients: [clientId],
    plans: [planId, doneId],
    runs: [runId],
    visits: [visitId],
    products: ['bent-dev'],
    mixes: [newId()],
    messages: [newId()],
    layouts: [newId()],
    team: [newId()],
    account: [newId()],
    tablets: [newId()],
  }
  entries = {
    'PUT /api/units': { mass: 'g', length: 'cm', developer: 'vol', clock: '24' },
    'PUT /api/rates': { rates: rates['rates'], baseRevision: 0 },
    'POST /api/learning': { kind: 'reset', about: 'x' },
    'POST /api/clients': { name: 'New', note: '', head: client['head'], hair: client['hair'] },
    'POST /api/clients/table': 'name,length_cm\nA,3\n',
    'PUT /api/clients/:id': { name: 'Bent', note: '', head: client['head'], baseRevision: 0 },
    'POST /api/clients/:id/plans': { name: 'Plan', template: 'fourQuadrants' },
    'POST /api/clients/:id/imports': document,
    'PUT /api/clients/:id/consultation': { ...consultation, recordedOn: on, trimmedCm: 0 },
    'POST /api/clients/:id/care/checks': { id: newId(), kind: 'scalp', on, result: 'clear', product: '', note: '' },
    'POST /api/clients/:id/care/consents': { id: newId(), on, textVersion: '1', strokes: [[0, 0, 1, 1]] },
    'POST /api/clients/:id/visits': { on, service: 'topAndSides', name: 'T', formulas: [], change: '' },
    'POST /api/clients/:id/erasure': { name: 'Somebody else' },
    'POST /api/plans/:id/operations': {
      baseRevision: 0,
      operations: [{ id: newId(), kind: 'edit', label: 'x', patches: [{ op: 'replace', path: ['name'], value: 'x' }] }],
    },
    'POST /api/plans/:id/versions': { label: 'x' },
    'PUT /api/plans/:id/booking': { on, arrives: 600 },
    'POST /api/plans/:id/done': { on: '2017-01-01' },
    'POST /api/plans/:id/acknowledgements': { cautionId: 'x', reason: '' },
    'POST /api/plans/:id/mixes': {
      id: newId(),
      formulaId: 'A',
      bowl: 0,
      planned: [{ name: 'x', productId: 'bent-dev', role: 'developer', grams: 10 }],
    },
    'POST /api/plans/:id/runs': { id: newId(), helping: [] },
    'POST /api/runs/:id/events': { events: [{ ...event, value: 5, note: '' }], after: 0 },
    'POST /api/runs/:id/more': { id: newId(), place: 'zone', name: 'x' },
    'POST /api/runs/:id/hair': { hair: client['hair'] },
    'POST /api/mixes/:id/pours': { events: [{ id: newId(), kind: 'poured', line: 0, grams: 1, source: 'typed' }] },
    'POST /api/visits/:id/review': { worked: '', change: '', why: '', shared: false },
    'POST /api/visits/:id/bowls/:id': { grams: 1 },
    'POST /api/messages': { id: newId(), clientId, kind: 'thanks', text: 'x' },
    'PATCH /api/messages/:id': { sent: true },
    'PUT /api/messages/templates': { kind: 'thanks', text: 'x' },
    'POST /api/layouts': { name: 'x', layout: {}, zones: [] },
    'PUT /api/products': { item, baseRevision: 1 },
    'POST /api/products/import': 'code,line,name,kind\nx,y,z,developer\n',
    'POST /api/shelf/deliveries': { productId: 'bent-dev', grams: 10, lot: 'L1' },
    'POST /api/shelf/counts': { lotId: newId(), grams: 1 },
    'POST /api/scale': { command: 'tare' },
    'PUT /api/team/:id': { name: 'x', role: 'assistant', active: true },
    'POST /api/team/invitations': { name: 'x', email: `${newId()}@bent.invalid`, role: 'assistant' },
    'PUT /api/salon': { name: 'Bent' },
    'PUT /api/account/pin': { password: 'a word for everybody here', pin: '48151' },
    'POST /api/tablets': { name: 'Bent', lockAfterMin: 5 },
    'POST /api/visits/table': 'client,on,service\nBent,2026-01-05,topAndSides\n',
  }
})
afterAll(closeDatabase)

/** An entry with one place in it, drawn by chance, bent. */
function bent(entry: unknown): unknown {
  if (typeof entry !== 'object' || entry === null || even() < 0.12) return one(HOSTILE)
  const copy: Record<string, unknown> | unknown[] = Array.isArray(entry) ? [...(entry as unknown[])] : { ...entry }
  const keys = Object.keys(copy)
  const draw = even()
  if (keys.length === 0 || draw < 0.1)
    return { ...copy, [one(['extra', '__proto__', 'constructor', ''])]: one(HOSTILE) }
  const key = one(keys) as keyof typeof copy
  if (draw < 0.2) Reflect.deleteProperty(copy, key)
  else copy[key] = bent(copy[key]) as never
  return copy
}

/** Places in an entry, the whole of it too; of a list its first. */
function places(entry: unknown, at: readonly string[] = []): (readonly string[])[] {
  if (typeof entry !== 'object' || entry === null) return [at]
  const own = Array.isArray(entry) ? entry.slice(0, 1) : entry
  return [at, ...Object.entries(own).flatMap(([key, value]) => places(value, [...at, key]))]
}

/** An entry with something else at a place. */
function put(entry: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value
  const copy = (Array.isArray(entry) ? [...(entry as unknown[])] : { ...(entry as object) }) as Record<string, unknown>
  copy[key] = put(copy[key], rest, value)
  return copy
}

/** What a route can be asked about. */
const knownTo = (route: string): readonly string[] =>
  route === 'POST /api/clients/:id/imports' ? [importsId] : (ids[route.split('/')[2]!] ?? [])

interface Asked {
  method: string
  path: string
  body: string | undefined
}

/** Routes that end the session which asks, or whose answers never end. */
const LEFT_OUT = [
  'DELETE /api/account/sessions',
  'DELETE /api/account/sessions/:id',
  'GET /api/scale',
  'GET /api/runs/:id/stream',
]
/** Routes that take a document's or a plan's time where nothing is wrong with what they are asked. */
const SLOW = [
  'GET /api/visits/:id/document',
  'GET /api/visits/:id/aftercare',
  'GET /api/clients/:id/file',
  'GET /api/salon/file',
  'POST /api/visits/:id/repeat',
  'POST /api/clients/:id/visits',
  'POST /api/plans/:id/copies',
  'GET /api/plans/:id/export',
  'GET /api/runs/:id',
  'GET /api/learning',
  'POST /api/visits/catch-up',
]
/** So many requests go to each of them. */
const OF_SLOW = 6

/** So many values each place of an entry is bent to; the next place gets the next ones. */
const VALUES_OF_A_PLACE = 9

/** Every place of every entry, bent; in any order, as what works much for one route is not asked all at once. */
function everyPlace(): Asked[] {
  let next = 0
  const asked = Object.entries(entries)
    .filter(([, entry]) => typeof entry === 'object')
    .flatMap(([route, entry]) => {
      const [method = '', pattern = ''] = route.split(' ')
      const path = pattern.replace(/:id/g, () => knownTo(route)[0]!)
      return places(entry).flatMap((place) =>
        Array.from({ length: VALUES_OF_A_PLACE }, () => {
          const value = HOSTILE[next++ % HOSTILE.length]
          return { turn: even(), method, path, body: JSON.stringify(put(entry, place, value)) }
        }),
      )
    })
  return asked.sort((a, b) => a.turn - b.turn)
}

function drawn(route: string): Asked {
  const [method = '', pattern = ''] = route.split(' ')
  const known = knownTo(route)
  const path = pattern.replace(/:id/g, () => (even() < 0.7 && known.length > 0 ? one(known) : one(IDS)))
  const query = even() < 0.3 ? one(QUERIES) : ''
  if (method === 'GET') return { method, path: path + (query || one(QUERIES)), body: undefined }
  const entry = entries[route] ?? {}
  const body =
    even() < 0.15
      ? one(BODIES)
      : typeof entry === 'string'
        ? entry + JSON.stringify(one(HOSTILE))
        : JSON.stringify(bent(entry))
  return { method, path: path + query, body: body ?? '' }
}

/** Connections that are used again: making one for every request would take longer than the answers. */
const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE })

const ask = ({ method, path, body }: Asked): Promise<{ status: number; text: string }> =>
  new Promise((resolve, reject) => {
    const headers = { cookie: owner.cookie, origin: BASE_URL, 'content-type': 'application/json' }
    const sent = request(BASE_URL + path, { method, agent, headers }, (answer) => {
      const parts: Buffer[] = []
      answer.on('data', (part: Buffer) => parts.push(part))
      answer.on('end', () => resolve({ status: answer.statusCode!, text: Buffer.concat(parts).toString() }))
    })
    sent.on('error', reject)
    sent.end(method === 'GET' ? undefined : body)
  })

/**
 * As everything that asks Falto does: once more after "away, try again", which is the right answer where a machine that
 * is shared stood still for ten seconds. Whether they were requests that lock each other out is asked of the database.
 */
async function askAgain(bad: Asked): Promise<{ status: number; text: string }> {
  const answer = await ask(bad)
  return answer.status === 503 && answer.text.includes('"away"') ? ask(bad) : answer
}

async function deadlocks(): Promise<number> {
  const { rows } = await database().execute<{ deadlocks: number }>(
    'select deadlocks::int from pg_stat_database where datname = current_database()',
  )
  return rows[0]!.deadlocks
}

it('every one of twenty thousand bent requests gets an answer, and none the server’s own failure', async () => {
  const routes = Object.keys(ROUTES).filter((route) => !LEFT_OUT.includes(route) && !SLOW.includes(route))
  const first = everyPlace()
  expect(first.length).toBeGreaterThan(WANTED / 10)
  const slow = Array.from({ length: OF_SLOW * SLOW.length }, (_, i) => SLOW[i % SLOW.length]!)
  const failed: string[] = []
  const deadlocksBefore = await deadlocks()
  const statuses = new Map<number, number>()
  let asked = 0
  async function worker(): Promise<void> {
    while (asked < WANTED) {
      const bad = first.pop() ?? drawn(slow.pop() ?? routes[asked % routes.length]!)
      asked++
      const { status, text } = await askAgain(bad)
      statuses.set(status, (statuses.get(status) ?? 0) + 1)
      if (status >= 500 || /"failed":"Something went wrong/.test(text))
        failed.push(`${bad.method} ${bad.path.slice(0, 120)} ${(bad.body ?? '').slice(0, 300)}: ${status}`)
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, worker))
  agent.destroy()
  expect(failed).toEqual([])
  expect(await deadlocks()).toBe(deadlocksBefore)
  // They were refused for what they are, and some of them taken, as only one place in them was bent.
  expect(statuses.get(422)).toBeGreaterThan(WANTED / 5)
  expect(statuses.get(200)).toBeGreaterThan(WANTED / 50)
  expect(statuses.get(401)).toBeUndefined()
  expect((await owner.call('GET', '/api/me')).status).toBe(200)
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined()
})
