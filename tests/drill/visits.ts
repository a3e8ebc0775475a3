import { writeFileSync } from 'node:fs'
import { setTimeout as rest } from 'node:timers/promises'
import { v7 as newId } from 'uuid'
import type { FaltoPlan, OpenRun, RunEvent } from '@/core/model'
import { chance } from '@/core/numeric'
import type { LoggedVisit } from '@/core/record/visit'
import type { RunScript } from '@/core/time/run'
import { BASE_URL, deviceOf, newClient, newPlan, type Answer, type Device } from '../support/server'
import { createServer } from './processes'
import { lost, untilAnswered } from './told'

/**
 * A hundred visits over HTTP, from the bowl to the review, told again until they are acknowledged. With `killed` the
 * server is killed (SIGKILL) at times drawn by chance and started again, all the while. Writes what every visit's page
 * and the learned figures say, without ids and times of day, so that two runs can be held against each other.
 */
const [wanted, file] = process.argv.slice(2)
const VISITS = Number(process.env['FALTO_DRILL_VISITS'] ?? 100)
const CLIENTS = 20
const SERVICES = ['hairlineAndPart', 'boldSlices', 'fullBabylights', 'shadowAndMelt'] as const
/** Between a start of the server and its next kill, ms. */
const LIVES = { least: 700, most: 20_000 } as const

const { even: draw } = chance(17)
const server = createServer(BASE_URL)
let kills = 0
let isOver = false

/** Kills the server again and again, until the visits are over. */
async function haunt(): Promise<void> {
  const { even } = chance(Date.now())
  while (!isOver) {
    await rest(LIVES.least + even() * (LIVES.most - LIVES.least))
    if (isOver) return
    await server.kill()
    kills++
    await server.start()
  }
}

async function expected(device: Device, method: string, path: string, body?: unknown): Promise<Answer['body']> {
  const { status, body: told } = await untilAnswered(device, method, path, body)
  if (status !== 200) throw new Error(`${method} ${path}: ${status} ${JSON.stringify(told).slice(0, 300)}`)
  return told
}

/** What is mixed, told, looked at and thought at one visit. @returns its id in the record */
async function visit(device: Device, planId: string, name: string, number: number): Promise<string> {
  const plan = (await expected(device, 'GET', `/api/plans/${planId}/export`)) as unknown as FaltoPlan
  const mixId = newId()
  const { id: formulaId, productId } = plan.formulas[0]!
  const planned = [{ name: 'Product', productId, role: 'product', grams: 30 }]
  await expected(device, 'POST', `/api/plans/${planId}/mixes`, { id: mixId, formulaId, bowl: 1, planned })
  const pours = [18, 6 + Math.round(80 * draw()) / 10].map((grams) => ({
    ...{ id: newId(), kind: 'poured', line: 0, grams, source: 'typed' },
  }))
  for (const [i, pour] of pours.entries())
    await expected(device, 'POST', `/api/mixes/${mixId}/pours`, {
      events: [pour],
      ...(i === pours.length - 1 && { end: 'done' }),
    })

  const runId = await begin(device, planId)
  const { script } = (await expected(device, 'GET', `/api/runs/${runId}`)) as unknown as OpenRun<RunScript>
  const events = eventsOf(script, number)
  for (let at = 0; at < events.length; at += 8)
    await expected(device, 'POST', `/api/runs/${runId}/events`, { events: events.slice(at, at + 8), after: 0 })
  const hair = await untilAnswered(device, 'POST', `/api/runs/${runId}/hair`, { on: today, levels: [] })
  // Told a second time, because the first answer was lost, it says that it is in the record.
  if (hair.status !== 200 && hair.status !== 409) throw new Error(JSON.stringify(hair.body))
  const log = await expected(device, 'GET', `/api/visits?words=${encodeURIComponent(name)}`)
  const visits = log['visits'] as LoggedVisit[]
  if (visits.length !== 1) throw new Error(`${name} is in the log ${visits.length} times.`)
  const { id } = visits[0]!
  await expected(device, 'POST', `/api/visits/${id}/bowls/${mixId}`, { grams: Math.round(30 * draw()) / 10 })
  await expected(device, 'POST', `/api/visits/${id}/review`, {
    ...{ worked: `Visit ${number}`, change: 'Begin at the nape', why: '', shared: number % 2 === 0 },
  })
  return id
}

async function begin(device: Device, planId: string): Promise<string> {
  const entry = { id: newId(), helping: ['assistant'] }
  const path = `/api/plans/${planId}/runs`
  const asked = await untilAnswered(device, 'POST', path, entry)
  if (asked.status === 200) return entry.id
  const cautions = (asked.body['cautions'] ?? []) as { id: string }[]
  const acknowledged = cautions.map(({ id }) => ({ cautionId: id, reason: 'looked at in a drill' }))
  await expected(device, 'POST', path, { ...entry, acknowledged })
  return entry.id
}

/** Everything as planned, at a pace drawn by chance, with a slip at every seventh visit. */
function eventsOf({ steps }: RunScript, number: number): RunEvent[] {
  const pace = 0.8 + 0.5 * draw()
  const deviceId = newId()
  const begun = Date.parse(`${today}T09:00:00Z`)
  let deviceSeq = 0
  const told = (kind: RunEvent['kind'], seconds: number, rest: Partial<RunEvent> = {}): RunEvent => ({
    ...{ id: newId(), kind, deviceId, deviceSeq: deviceSeq++, offsetMs: 0 },
    deviceTime: Math.round(begun + 1000 * seconds * pace),
    ...rest,
  })
  const put = steps.find(({ kind }) => kind === 'apply')!
  return [
    ...steps.flatMap(({ id, start: at, seconds }) => [
      told('begun', at, { stepId: id }),
      told('done', at + seconds, { stepId: id }),
    ]),
    ...(number % 7 === 0 ? [told('incident', 600, { stepId: put.id, incident: 'slipped' })] : []),
    told('ended', 8 * 3600),
  ]
}

/** Without ids and times, which two runs never share. */
const comparable = (told: unknown): unknown =>
  JSON.parse(
    JSON.stringify(told, (key, value: unknown) => (key === 'at' ? undefined : value))
      .replaceAll(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g, 'id')
      .replaceAll(/\d{4}-\d\d-\d\dT[\d:.]+Z/g, 'time'),
  )

const today = new Date().toISOString().slice(0, 10)
await server.start()
const device = await deviceOf('oriel')
const clients: string[] = []
for (let i = 0; i < CLIENTS; i++) clients.push(await newClient(device, `Drill client ${i}`))
const plans: { id: string; name: string }[] = []
for (let i = 0; i < VISITS; i++) {
  const name = `Drill visit ${String(i).padStart(3, '0')}`
  plans.push({ name, id: await newPlan(device, clients[i % CLIENTS]!, { name, service: SERVICES[i % 4] }) })
}

const haunting = wanted === 'killed' ? haunt() : undefined
const visits: string[] = []
for (const [i, { id, name }] of plans.entries()) visits.push(await visit(device, id, name, i))
isOver = true
await haunting

const pages: unknown[] = []
for (const id of visits) pages.push(comparable(await expected(device, 'GET', `/api/visits/${id}/export`)))
const learned = comparable((await expected(device, 'GET', '/api/learning'))['factors'])
writeFileSync(file!, JSON.stringify({ pages, learned }, null, 1))
await server.kill()
console.log(`${wanted}: ${visits.length} visits, killed ${kills} times, ${lost.unanswered} requests without an answer`)
