import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import type { Page } from 'puppeteer-core'
import { sameness, type OpenRun } from '@/core/model'
import { foldRun, type RunScript } from '@/core/time/run'
import { lineTo } from '../support/line'
import { freePort } from '../support/ports'
import { beginRun, deviceOf, servicePlanOf } from '../support/server'
import { press, windows } from './browser'
import { doStep, inStep, kept, nextStep, tap } from './visit'

/**
 * Everything that can go wrong at a visit, in one: no network, reloads, a server that is killed, a clock that is wrong,
 * two hands on one step.
 */
jest.setTimeout(600_000)

const WRONG_BY_MS = 7 * 60_000
/** What asking and hearing leave of a difference between clocks, far less than what one of them is wrong by. */
const CLOCKS_DIFFER_MS = 5000

const { open } = windows()
const servers: ChildProcess[] = []
afterAll(() => servers.forEach((one) => one.kill('SIGKILL')))

/** A server of a test's own, on the database of all, so that it can be killed, or lose its database. */
async function serve(port: number, settings: Record<string, string> = {}): Promise<ChildProcess> {
  const base = `http://127.0.0.1:${port}`
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      env: { ...process.env, NODE_ENV: 'production', BETTER_AUTH_URL: base, ...settings },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  )
  servers.push(server)
  for await (const words of server.stdout) if (String(words).includes('Ready')) break
  server.stdout.resume()
  return server
}

const keptHere = (page: Page, count: number) =>
  page.waitForFunction(
    (words) => document.querySelector('header [role="status"]')?.textContent?.startsWith(words),
    {},
    `${count} kept here`,
  )

it('comes to one log, the same for both devices, with nothing lost or doubled', async () => {
  const [oriel, tove] = [await deviceOf('oriel'), await deviceOf('tove')]
  const plan = await servicePlanOf(oriel, 'Faults', 'scalpToTip')
  const id = await beginRun(oriel, plan)
  const port = await freePort()
  let server = await serve(port)
  const line = await lineTo(port)

  const one = await open(oriel, { width: 1024, height: 768 })
  const other = await open(tove, { width: 390, height: 844 })
  const wrong = await other.evaluateOnNewDocument((wrongBy) => {
    const now = Date.now.bind(Date)
    Date.now = () => now() + wrongBy
  }, WRONG_BY_MS)
  for (const [page, base] of [
    [one, line.base],
    [other, `http://127.0.0.1:${port}`],
  ] as const) {
    await page.goto(`${base}/runs/${id}`)
    await page.waitForSelector('[aria-label="Next step"]')
    await kept(page)
  }

  // The first device loses its network; ten things happen there, with two reloads among them.
  const begun = Date.now()
  await line.cut()
  for (let i = 0; i < 3; i++) await doStep(one)
  await keptHere(one, 6)
  await one.reload()
  await keptHere(one, 6)
  for (let i = 0; i < 2; i++) await doStep(one)
  await keptHere(one, 10)
  await one.reload()
  await keptHere(one, 10)

  // Meanwhile the second does the first two steps itself, the server is killed, and it goes on.
  await doStep(other)
  await inStep(other)
  server.kill('SIGKILL')
  await once(server, 'exit')
  await doStep(other)
  await keptHere(other, 2)
  server = await serve(port)
  await inStep(other)
  await line.mend()
  await Promise.all([inStep(one), inStep(other)])
  await other.waitForFunction(
    (wanted) => document.querySelector('[aria-label="Next step"]')?.textContent === wanted,
    {},
    await nextStep(one),
  )

  // Now both tap one step at the same time.
  await Promise.all([tap(one, 'Begin', 'Now'), tap(other, 'Begin', 'Now')])
  await Promise.all([inStep(one), inStep(other)])

  const { events, script } = (await oriel.call('GET', `/api/runs/${id}`)).body as unknown as OpenRun<RunScript>
  // Five steps begun and done and a sixth begun, each once, whoever told it first.
  expect(events).toHaveLength(11)
  expect(events.map(({ runSeq }) => runSeq)).toEqual(events.map((_, i) => i + 1))
  expect(new Set(events.map(({ id: own }) => own)).size).toBe(11)
  expect(new Set(events.map((event) => sameness(event))).size).toBe(11)
  const { steps, startedAt } = foldRun(events)
  expect(script.steps.filter(({ id: own }) => steps.get(own)?.status === 'done')).toHaveLength(5)
  // Every time lies within the test, on the server's clock: none is seven minutes off.
  for (const { begunAt, endedAt } of steps.values())
    for (const at of [begunAt, endedAt])
      if (at !== undefined) {
        expect(at).toBeGreaterThan(begun - CLOCKS_DIFFER_MS)
        expect(at).toBeLessThan(Date.now() + CLOCKS_DIFFER_MS)
      }
  expect(startedAt).toBeGreaterThan(begun - CLOCKS_DIFFER_MS)
  for (const page of [one, other]) {
    await page.reload()
    await page.waitForSelector('[aria-label="Next step"]')
  }
  const clockless = (words: string) => words.replace(/\d+:\d\d/g, '')
  expect(clockless(await nextStep(other))).toBe(clockless(await nextStep(one)))
  await other.removeScriptToEvaluateOnNewDocument(wrong.identifier)
})

it('a page that the server could not put together says so, and comes when it is tried again', async () => {
  const oriel = await deviceOf('oriel')
  const databaseUrl = new URL(process.env['DATABASE_URL']!)
  const database = await lineTo(Number(databaseUrl.port))
  databaseUrl.port = new URL(database.base).port
  const port = await freePort()
  await serve(port, { DATABASE_URL: databaseUrl.href })

  const page = await open(oriel, { width: 1024, height: 768 })
  await database.cut()
  await page.goto(`http://127.0.0.1:${port}/people`)
  await page.waitForSelector('h1::-p-text(This page could not be shown)')
  expect(await page.$eval('main', ({ textContent }) => textContent)).toMatch(/name this line of its log: \d+/)
  await database.mend()
  await press(page, 'Try again')
  await page.waitForSelector('h1::-p-text(People)')
})
