import puppeteer, { type CDPSession } from 'puppeteer-core'
import { v7 as newId } from 'uuid'
import { densePlan } from '../support/samples'
import { beginRun, deviceOf, newClient } from '../support/server'
import { row } from './row'
import { CHROMIUM } from '../support/chromium'
import { knowsNames } from '../support/named'

/** Budgets of the plan workspace in the production build, in headless Chromium on loopback. */
const MOVE = '::-p-named(button Move)'
const base = process.env['FALTO_TEST_URL']!
knowsNames()
const browser = await puppeteer.launch(CHROMIUM)
const page = await browser.newPage()
await page.setViewport({ width: 1280, height: 800 })
const device = await deviceOf('oriel')
const { body } = await device.call('POST', `/api/clients/${await newClient(device, 'Bench')}/imports`, densePlan(newId))
const plan = `${base}/plans/${String(body['id'])}`
await page.goto(`${base}/sign-in`)
await page.locator('::-p-text(Oriel Castellane)').click()
await page.waitForFunction(() => location.pathname === '/people')
await page.goto(plan)
await page.waitForSelector('[aria-label="Totals"][aria-busy="false"]')

const scripts = await firstLoad(await page.createCDPSession())
console.log(
  `**page** | first-load JavaScript of the plan workspace, gzip over the wire | ${(scripts / 1000).toFixed(0)} kB | budget ≤ 300 kB`,
)

const interactive: number[] = []
const judged: number[] = []
for (let run = 0; run < 8; run++) {
  await page.goto('about:blank')
  const start = performance.now()
  await page.goto(plan)
  await page.waitForSelector('[aria-label="Totals"]')
  interactive.push(performance.now() - start)
  await page.waitForSelector('[aria-label="Totals"][aria-busy="false"]')
  judged.push(performance.now() - start)
}
row('page', 'plan workspace until map, foils, grams and minutes stand, budget < 1500 ms', interactive)
row('page', 'the same until what is seen, cautions and advice stand too', judged)

await drag(
  'a stitch is dragged on the comb',
  '[aria-label="Order of application"] ::-p-text(Back left)',
  '[role="slider"][aria-label="Stitch"]',
)
await drag('a bend of a parting is dragged on the map', MOVE, '[aria-label="Bend of a parting"]')
await drag('the pointer moves and drags nothing, for comparison', MOVE, 'header')
await look()
await head()
await chair()
await browser.close()

/**
 * Bytes of scripts that the workspace loads before it is used; the worker's own scripts are counted apart by the
 * browser.
 */
async function firstLoad(session: CDPSession): Promise<number> {
  const kinds = new Map<string, string>()
  let bytes = 0
  await session.send('Network.enable')
  await session.send('Network.setCacheDisabled', { cacheDisabled: true })
  session.on('Network.responseReceived', ({ requestId, type }) => kinds.set(requestId, type))
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (kinds.get(requestId) === 'Script') bytes += encodedDataLength
  })
  await page.goto(plan, { waitUntil: 'networkidle0' })
  await session.detach()
  return bytes
}

/** Opens the Look and turns it by hand, three times on a page newly opened, and watches the main thread. */
async function look(): Promise<void> {
  const longest: Task[] = []
  for (let run = 0; run < 3; run++) {
    await page.goto(plan)
    await page.waitForSelector('[aria-label="Totals"][aria-busy="false"]')
    await page.tracing.start({ categories: ['toplevel'] })
    await page.locator('::-p-named(tab Look)').click()
    await page.waitForSelector('[data-ready="true"]')
    await page.waitForSelector('[aria-label="Counted in the pictures"]')
    await turnByHand('[data-portrait="main"]')
    await page.waitForSelector('[data-ready="true"]')
    longest.push(...longTasks(await page.tracing.stop()).slice(0, 1))
  }
  told('the Look is opened and turned, three times', longest, 3)
}

/** Opens the Head and turns it by hand, three times on a page newly opened, and watches the main thread. */
async function head(): Promise<void> {
  const longest: Task[] = []
  for (let run = 0; run < 3; run++) {
    await page.goto(plan)
    await page.waitForSelector('[aria-label="Totals"][aria-busy="false"]')
    await page.tracing.start({ categories: ['toplevel'] })
    await page.locator('::-p-named(tab Head)').click()
    await page.waitForSelector('[data-state="shown"]')
    await turnByHand('[data-state="shown"]')
    longest.push(...longTasks(await page.tracing.stop()).slice(0, 1))
  }
  told('the Head is opened and turned, three times', longest, 3)
}

async function turnByHand(selector: string): Promise<void> {
  const box = (await (await page.$(selector))!.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let step = 0; step < 60; step++) await page.mouse.move(x + 120 * Math.sin(step / 8), y)
  await page.mouse.up()
}

/** Carries out the first steps of a visit with the demo's clock running fast, and watches the main thread. */
async function chair(): Promise<void> {
  await page.goto(`${base}/runs/${await beginRun(device, plan.split('/').at(-1)!)}`)
  await page.locator('button::-p-text(as fast)').click()
  await page.waitForSelector('header button[aria-pressed="true"]')
  await watch()
  const taps: number[] = []
  for (let tap = 0; tap < 40; tap++) {
    const shown = await page.$eval('[aria-label="Next step"]', ({ textContent }) => textContent)
    await page.waitForFunction(() => {
      const button = [...document.querySelectorAll<HTMLButtonElement>('[aria-label="Next step"] button')].find(
        ({ textContent, disabled }) => /^(Begin|Done)$/.test(textContent ?? '') && !disabled,
      )
      button?.click()
      return button !== undefined
    })
    const begun = performance.now()
    await page.waitForFunction(
      (before) => document.querySelector('[aria-label="Next step"]')?.textContent !== before,
      {},
      shown,
    )
    taps.push(performance.now() - begun)
  }
  const { long } = await page.evaluate(() => (window as unknown as { watched: { long: number[] } }).watched)
  console.log(
    `**chair** | main thread while steps are told at the chair, clock 60 × as fast | ${long.length} tasks > 50 ms${long.length ? `, longest ${Math.max(...long).toFixed(0)} ms` : ''} | ${taps.length} taps`,
  )
  row('chair', 'from a tap to the step after it', taps)
}

async function watch(): Promise<void> {
  await page.evaluate(() => {
    const watched = { long: [] as number[], frames: [] as number[] }
    Object.assign(window, { watched })
    new PerformanceObserver((list) => watched.long.push(...list.getEntries().map(({ duration }) => duration))).observe({
      entryTypes: ['longtask'],
    })
    let last = performance.now()
    requestAnimationFrame(function frame(now: number) {
      watched.frames.push(now - last)
      last = now
      requestAnimationFrame(frame)
    })
  })
}

/** Drags a handle to and fro and watches the main thread, five times on a page newly opened. */
async function drag(what: string, tool: string, selector: string): Promise<void> {
  const longest: Task[] = []
  const frames: number[] = []
  for (let run = 0; run < 5; run++) {
    await page.goto(plan)
    await page.waitForSelector('[aria-label="Totals"][aria-busy="false"]')
    await page.locator(tool).click()
    const handle = await page.waitForSelector(selector)
    const box = (await handle!.boundingBox())!
    const x = box.x + box.width / 2
    const y = box.y + box.height / 2
    await watch()
    await page.tracing.start({ categories: ['toplevel'] })
    await page.mouse.move(x, y)
    await page.mouse.down()
    for (let step = 0; step < 120; step++) await page.mouse.move(x + 14 * Math.sin(step / 6), y)
    await page.mouse.up()
    const watched = await page.evaluate(() => (window as unknown as { watched: { frames: number[] } }).watched)
    frames.push(...watched.frames.slice(1))
    longest.push(...longTasks(await page.tracing.stop()).slice(0, 1))
    await page.waitForSelector('[data-save="saved"]')
  }
  told(what, longest, 5)
  row(
    'drag',
    `frame to frame meanwhile, on average ${(frames.reduce((sum, ms) => sum + ms, 0) / frames.length).toFixed(1)} ms; 16.7 ms is 60 Hz; without a graphics chip`,
    frames,
  )
}

/** Says how long the longest task of each round was. */
function told(what: string, longest: readonly Task[], rounds: number): void {
  const most = (of: keyof Task) => Math.max(...longest.map((task) => task[of])).toFixed(0)
  const words =
    longest.length === 0
      ? 'none had one'
      : `${longest.length} had one, longest ${most('ms')} ms; ${longest.filter(({ ran }) => ran > 50).length} had one that ran so long itself, most ${most('ran')} ms`
  console.log(`**page** | main thread while ${what}, budget: no task > 50 ms | of ${rounds} rounds ${words}`)
}

/**
 * A task of the main thread: how long it took by the clock, and how long of that it ran, which is less where other
 * programs had the processor.
 */
interface Task {
  ms: number
  ran: number
}

/** Tasks over 50 ms by the clock in a trace of the browser, the longest first. */
function longTasks(trace: Uint8Array | undefined): Task[] {
  const { traceEvents } = JSON.parse(new TextDecoder().decode(trace)) as {
    traceEvents: {
      name: string
      ph: string
      pid: number
      tid: number
      dur?: number
      tdur?: number
      args: { name?: string }
    }[]
  }
  const threads = traceEvents.filter(({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain')
  const tasks = threads.map(({ pid, tid }) =>
    traceEvents.filter(
      (event) => event.pid === pid && event.tid === tid && event.ph === 'X' && event.name.endsWith('RunTask'),
    ),
  )
  // The page's own process is the one that did most.
  const own = tasks.reduce((one, other) => (other.length > one.length ? other : one))
  return own
    .map(({ dur = 0, tdur = 0 }) => ({ ms: dur / 1000, ran: tdur / 1000 }))
    .filter(({ ms }) => ms > 50)
    .sort((one, other) => other.ms - one.ms)
}
