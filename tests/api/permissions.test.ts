import { readdirSync, readFileSync } from 'node:fs'
import { v7 as newId } from 'uuid'
import { STAFF_ROLES, type StaffRole } from '@/core/model'
import { may, OPEN_ROUTES, ROUTES } from '@/server/auth'
import { BASE_URL, beginRun, newClient, newPlan, type Device } from '../support/server'
import { closeDatabase, newSalon, type TestSalon } from '../support/salon'

/** Every route × everybody: a new route without a row answers nobody, and fails here. */
jest.setTimeout(300_000)

let own: TestSalon
let other: TestSalon
beforeAll(async () => {
  ;[own, other] = await Promise.all([newSalon(), newSalon()])
})
afterAll(closeDatabase)

const FOLDER = 'src/app/api'

/** Routes as the files say them: `[id]` and `[...all]` stand for an id. */
const routesOfFiles = (): string[] =>
  readdirSync(FOLDER, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('route.ts'))
    .flatMap((file) => {
      const path = `/api/${file.replace(/\/route\.ts$/, '')}`.replace('[...all]', ':all').replace(/\[\w+\]/g, ':id')
      const text = readFileSync(`${FOLDER}/${file}`, 'utf8')
      const methods = [...text.matchAll(/export (?:const|async function|function) (GET|POST|PUT|PATCH|DELETE)\b/g)]
      return methods.map(([, method]) => `${method} ${path}`)
    })

it('every route has its row, and every row its route', () => {
  expect([...Object.keys(ROUTES), ...OPEN_ROUTES].sort()).toEqual(routesOfFiles().sort())
})

/** Asks and leaves again: some answers never end. */
async function statusOf(device: Device | undefined, route: string, ids: string[] = [], body: unknown = {}) {
  const [method = '', pattern = ''] = route.split(' ')
  const left = [...ids]
  const path = pattern.replace(/:id/g, () => left.shift() ?? newId())
  const leave = new AbortController()
  const answer = await fetch(`${BASE_URL}${path}`, {
    method,
    redirect: 'manual',
    signal: leave.signal,
    headers: {
      cookie: device?.cookie ?? '',
      origin: BASE_URL,
      connection: 'close',
      'content-type': 'application/json',
    },
    ...(method !== 'GET' && { body: JSON.stringify(body) }),
  })
  const streams = answer.headers.get('content-type')?.startsWith('text/event-stream')
  const text = streams ? '' : await answer.text()
  leave.abort()
  return { status: answer.status, text }
}

it('nobody who is not signed in gets anything', async () => {
  for (const route of Object.keys(ROUTES))
    expect([route, (await statusOf(undefined, route)).status]).toEqual([route, 401])
})

it.each(STAFF_ROLES)('%s is let do what the table says and nothing else', async (role: StaffRole) => {
  const device = own.devices[role]
  const wrong: string[] = []
  for (const [route, { needs }] of Object.entries(ROUTES)) {
    // Ends the very sessions that ask.
    if (route.startsWith('DELETE /api/account/sessions')) continue
    const { status } = await statusOf(device, route)
    const allowed = needs === 'own' || may({ role }, needs)
    if (allowed ? [401, 403].includes(status) || status >= 500 : status !== 403) wrong.push(`${route}: ${status}`)
  }
  expect(wrong).toEqual([])
})

it('another salon’s owner finds nothing of this one under its own ids, and changes nothing', async () => {
  const owner = own.devices.owner
  const secret = `Known here only ${newId()}`
  const clientId = await newClient(owner, secret)
  const planId = await newPlan(owner, clientId, { service: 'topAndSides', name: secret })
  const doneId = await newPlan(owner, clientId, { service: 'topAndSides', name: secret })
  const { visitId } = (await owner.call('POST', `/api/plans/${doneId}/done`, { on: today() })).body as {
    visitId: string
  }
  const runId = await beginRun(owner, planId)
  const before = await rowsOf(owner, [clientId, planId])
  const ids: Record<string, string[]> = {
    clients: [clientId],
    plans: [planId],
    runs: [runId],
    visits: [visitId],
    mixes: [newId()],
    messages: [newId()],
    layouts: [newId()],
    products: ['own-powder'],
  }
  const wrong: string[] = []
  for (const route of Object.keys(ROUTES)) {
    const [, , kind = ''] = route.split(' ')[1]!.split('/')
    if (route.startsWith('DELETE /api/account/sessions')) continue
    const { status, text } = await statusOf(other.devices.owner, route, ids[kind] ?? [], BODIES[route] ?? {})
    if (text.includes(secret) || text.includes(clientId) || status >= 500) wrong.push(`${route}: ${status} leaks`)
    // What names a thing of the first salon finds nothing, or fails at what was entered before it looks.
    if (route.includes(':id') && ![404, 422, 400, 409].includes(status)) wrong.push(`${route}: ${status}`)
  }
  expect(wrong).toEqual([])
  expect(await rowsOf(owner, [clientId, planId])).toEqual(before)
})

const today = () => new Date().toISOString().slice(0, 10)

const rowsOf = async (owner: Device, [clientId, planId]: string[]) => [
  (await owner.call('GET', `/api/clients/${clientId}`)).body,
  (await owner.call('GET', `/api/plans/${planId}/export`)).body,
]

/** Entries that would be taken, so that a refusal is for the thing that is named. */
const BODIES: Record<string, unknown> = {
  'POST /api/plans/:id/versions': { label: 'Theirs' },
  'PUT /api/plans/:id/booking': { on: today() },
  'POST /api/plans/:id/done': { on: today() },
  'POST /api/plans/:id/acknowledgements': { cautionId: 'x', reason: 'x' },
  'POST /api/plans/:id/operations': { baseRevision: 0, operations: [] },
  'POST /api/clients/:id/plans': { name: 'Theirs', template: 'fourQuadrants' },
  'POST /api/clients/:id/erasure': { name: 'x' },
  'POST /api/plans/:id/runs': { id: newId(), helping: [] },
}
