import type { Page } from 'puppeteer-core'
import { lineTo } from '../support/line'
import { BASE_URL, beginRun, deviceOf, newClient, newPlan, servicePlanOf } from '../support/server'
import { windows } from './browser'
import { inStep, kept } from './visit'

/**
 * One browser that has been at the chair goes on everywhere else: what keeps visits open offline stands in no page's
 * way.
 */

const { open } = windows()

/** Waits until words stand on the page that only a finished computation brings. */
async function says(page: Page, words: RegExp): Promise<void> {
  const shown = () => page.$eval('main', ({ textContent }) => textContent)
  try {
    await page.waitForFunction(
      (source) => new RegExp(source).test(document.querySelector('main')?.textContent ?? ''),
      { timeout: 30_000 },
      words.source,
    )
  } catch {
    throw new Error(`${page.url()} does not say ${words} but: ${await shown()}`)
  }
}

it('after the Chair every page works, again after a reload, and the Chair opens without a network or a server', async () => {
  const oriel = await deviceOf('oriel')
  const client = await newClient(oriel, 'After the chair')
  const plan = await newPlan(oriel, client, { service: 'topAndSides' })
  const day = '2032-05-14'
  expect((await oriel.call('PUT', `/api/plans/${plan}/booking`, { on: day, arrives: 600 })).status).toBe(200)
  const run = await beginRun(oriel, plan)

  const line = await lineTo(Number(new URL(BASE_URL).port))
  const page = await open(oriel)
  await page.goto(`${line.base}/runs/${run}`)
  await kept(page)

  const pages: [path: string, words: RegExp][] = [
    ['/people', /After the chair/],
    [`/people/${client}`, /Test plan/],
    [`/people/${client}/consultation`, /Band|Level/],
    [`/people/${client}/care`, /[Aa]llergy/],
    [`/people/${client}/pictures`, /[Pp]icture/],
    [`/plans/${plan}`, /[1-9]\d* foils?/],
    [`/plans/${plan}/mix`, /[1-9]\d*(\.\d)? g/],
    [`/plans/${plan}/clock`, /Done at \d\d:\d\d/],
    [`/day?on=${day}`, /done at \d\d:\d\d/],
    ['/shelf', /Marl/],
  ]
  for (const [path, words] of pages) {
    await page.goto(line.base + path)
    await says(page, words)
    await page.reload()
    await says(page, words)
    expect(await page.$eval('main', ({ textContent }) => textContent)).not.toMatch(/could not|cannot|went wrong/i)
  }

  await page.goto(`${line.base}/runs/${run}`)
  await page.waitForSelector('[aria-label="Next step"]')
  await line.cut()
  await page.reload()
  await page.waitForSelector('[aria-label="Next step"]')
  await line.mend()
  await line.endBefore()
  await page.reload()
  await page.waitForSelector('[aria-label="Next step"]')
  await page.waitForSelector('header [role="status"]::-p-text(not in step)')
  await line.cut()
  await line.mend()
  await inStep(page)
  await page.goto(`${line.base}/plans/${plan}/clock`)
  await says(page, /Done at \d\d:\d\d/)
})

it('drops what older builds kept', async () => {
  const oriel = await deviceOf('oriel')
  const plan = await servicePlanOf(oriel, 'Older build', 'topAndSides')
  const run = await beginRun(oriel, plan)
  const page = await open(oriel)
  await page.goto(`${BASE_URL}/people`)
  await page.evaluate(() => caches.open('falto-chair-1').then((cache) => cache.put('/old', new Response('old'))))
  await page.goto(`${BASE_URL}/runs/${run}`)
  await kept(page)
  const names = await page.evaluate(() => caches.keys())
  expect(names).toHaveLength(1)
  expect(names).not.toContain('falto-chair-1')
})
