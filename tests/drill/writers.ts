import { count, eq, inArray } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import type { RunEvent } from '@/core/model'
import { database, mix, mixEvent, plan, planEdit, runEvent, stockLot, stockMove } from '@/db'
import { beginRun, newClient, newPlan, type Device } from '../support/server'
import { planMixing, productOf } from '../support/shelf'
import { untilAnswered } from './told'

/** Whoever is not at work again after so long will not be, ms. */
const AT_WORK_AGAIN_MS = 60_000

/** Somebody who writes one thing after the other, and remembers what was acknowledged. */
interface Writer {
  name: string
  /** Writes once more. Ends when it is acknowledged, however often it has to be told. */
  write: () => Promise<void>
  acknowledged: () => number
  /** What the database holds that it should not, or lacks. */
  amiss: () => Promise<string[]>
}

async function told(device: Device, path: string, body: object, method = 'POST'): Promise<void> {
  const { status, body: answer } = await untilAnswered(device, method, path, body, 'failures')
  if (status !== 200) throw new Error(`${method} ${path}: ${status} ${JSON.stringify(answer).slice(0, 300)}`)
}

const differ = (what: string, found: unknown, expected: unknown): string[] =>
  JSON.stringify(found) === JSON.stringify(expected)
    ? []
    : [`${what}: found ${JSON.stringify(found)}, expected ${JSON.stringify(expected)}`]

/** Renames a plan, edit by edit. */
async function editor(device: Device, clientId: string, name: string): Promise<Writer> {
  const planId = await newPlan(device, clientId, { name })
  let revision = 0
  return {
    name,
    acknowledged: () => revision,
    async write() {
      const patches = [{ op: 'replace', path: ['name'], value: `${name} ${revision + 1}` }]
      const operations = [{ id: newId(), kind: 'edit', label: 'Renamed', patches }]
      await told(device, `/api/plans/${planId}/operations`, { baseRevision: revision, operations })
      revision++
    },
    async amiss() {
      const [found] = await database().select().from(plan).where(eq(plan.id, planId))
      const [edits] = await database().select({ n: count() }).from(planEdit).where(eq(planEdit.planId, planId))
      return [
        ...differ(`${name}, revision`, found!.revision, revision),
        ...differ(`${name}, its name`, found!.document.name, `${name} ${revision}`),
        ...differ(`${name}, edits`, edits!.n, revision),
      ]
    },
  }
}

/** Tells what happens at a chair. */
async function chair(device: Device, clientId: string, name: string): Promise<Writer> {
  const runId = await beginRun(device, await newPlan(device, clientId, { name, service: 'topAndSides' }))
  const deviceId = newId()
  const ids: string[] = []
  return {
    name,
    acknowledged: () => ids.length,
    async write() {
      const event: RunEvent = {
        ...{ id: newId(), kind: 'delayed', value: 1, deviceId, deviceSeq: ids.length },
        ...{ deviceTime: Date.now(), offsetMs: 0 },
      }
      await told(device, `/api/runs/${runId}/events`, { events: [event], after: 0 })
      ids.push(event.id)
    },
    async amiss() {
      const rows = await database().select().from(runEvent).where(eq(runEvent.runId, runId))
      const delays = rows.filter(({ kind }) => kind === 'delayed').map(({ id }) => id)
      return [
        ...differ(`${name}, events`, delays.sort(), [...ids].sort()),
        ...differ(`${name}, places in the log`, new Set(rows.map(({ seq }) => seq)).size, rows.length),
      ]
    },
  }
}

/** Takes deliveries in, and mixes a bowl of what came. */
async function shelf(device: Device, clientId: string, name: string): Promise<Writer> {
  const productId = `drill-${newId().slice(-8)}`
  await told(device, '/api/products', { item: productOf(productId) }, 'PUT')
  const planId = await planMixing(device, clientId, productId)
  const mixes: string[] = []
  let acknowledged = 0
  return {
    name,
    acknowledged: () => acknowledged,
    async write() {
      await told(device, '/api/shelf/deliveries', { id: newId(), productId, grams: 10, lot: 'one' })
      const id = newId()
      const planned = [{ name: 'Product', productId, role: 'product', grams: 4 }]
      await told(device, `/api/plans/${planId}/mixes`, { id, formulaId: 'A', bowl: 1, planned })
      const pour = { id: newId(), kind: 'poured', line: 0, grams: 3.7, source: 'typed' }
      await told(device, `/api/mixes/${id}/pours`, { events: [pour], end: 'done' })
      mixes.push(id)
      acknowledged += 3
    },
    async amiss() {
      const moves = await database().select().from(stockMove).where(eq(stockMove.productId, productId))
      const lots = await database().select().from(stockLot).where(eq(stockLot.productId, productId))
      const bowls = await database().select().from(mix).where(eq(mix.planId, planId))
      const pours = mixes.length ? await database().select().from(mixEvent).where(inArray(mixEvent.mixId, mixes)) : []
      const times = mixes.length
      const sum = (rows: { tenths: number }[]) => rows.reduce((all, { tenths }) => all + tenths, 0)
      return [
        ...differ(`${name}, moves`, sum(moves), times * (100 - 37)),
        ...differ(`${name}, on the shelf`, sum(lots), times * (100 - 37)),
        ...differ(
          `${name}, bowls`,
          bowls.map(({ state }) => state),
          Array.from({ length: times }, () => 'done'),
        ),
        ...differ(`${name}, pours`, pours.length, times),
      ]
    },
  }
}

/** Six people at work until they are told to stop. */
export async function createWriters(device: Device) {
  const clientId = await newClient(device, 'In a drill')
  const writers = await Promise.all([
    ...['Plan one', 'Plan two'].map((name) => editor(device, clientId, name)),
    ...['Chair one', 'Chair two'].map((name) => chair(device, clientId, name)),
    ...['Shelf one', 'Shelf two'].map((name) => shelf(device, clientId, name)),
  ])
  let isOver = false
  let working: Promise<unknown> = Promise.resolve()
  const acknowledged = () => writers.reduce((sum, writer) => sum + writer.acknowledged(), 0)
  return {
    acknowledged,
    start() {
      isOver = false
      working = Promise.all(
        writers.map(async ({ write }) => {
          while (!isOver) await write()
        }),
      )
      // Whoever fails is heard of when the work is waited for.
      working.catch(() => undefined)
    },
    /** Ends once everybody's last entry is acknowledged. */
    async stop() {
      isOver = true
      await working
    },
    amiss: async () => (await Promise.all(writers.map(({ amiss }) => amiss()))).flat(),
    /** Waits until everybody is at work again. @throws Error when somebody is not */
    async goingOn(): Promise<void> {
      const before = writers.map((writer) => writer.acknowledged())
      const since = performance.now()
      const waiting = () => writers.filter((writer, i) => writer.acknowledged() === before[i])
      while (waiting().length > 0) {
        if (performance.now() - since > AT_WORK_AGAIN_MS)
          throw new Error(
            `Not at work again: ${waiting()
              .map(({ name }) => name)
              .join(', ')}`,
          )
        await Promise.race([working, new Promise((resolve) => setTimeout(resolve, 20))])
      }
    },
  }
}
