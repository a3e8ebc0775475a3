import type { Page } from 'puppeteer-core'
import type { FaltoPlan } from '@/core/model'
import { newSalon } from '../support/salon'
import { beginRun, exported, ONE_CALL, servicePlanOf, type Device } from '../support/server'
import { productOf } from '../support/shelf'
import { clean } from './axe'
import { fill, press, saved, settled, totalsContain, url, windows, zone } from './browser'
import { pressOn } from './hand'

const { open } = windows()
const UNITS = { mass: 'oz', length: 'in', developer: '%', clock: '12' }

let owner: Device
let assistant: Device
let planId: string
let clientId: string
// A salon of its own, as everybody in it reads in its units.
beforeAll(async () => {
  ;({ owner, assistant } = (await newSalon()).devices)
  planId = await servicePlanOf(owner, 'Units', 'scalpToTip')
  clientId = ((await owner.call('GET', `/api/plans/${planId}`)).body['client'] as { id: string }).id
  const item = productOf('units-gloss')
  await owner.call('PUT', '/api/products', { item })
  await owner.call('POST', '/api/shelf/deliveries', { productId: item.id, grams: 250, lot: 'L1' })
})

/** Every figure that is still in a unit that this salon does not read, on screen or for a screen reader. */
const asKept = (page: Page) =>
  page.evaluate(() => {
    const said = [
      document.body.innerText,
      ...[...document.querySelectorAll('[aria-label], [aria-valuetext], [title]')].flatMap((element) =>
        ['aria-label', 'aria-valuetext', 'title'].map((name) => element.getAttribute(name) ?? ''),
      ),
    ]
    const kept = /.{0,30}(\d ?(cm²|cm|mm|ml|g|vol)(?![\w²/])|, g$|\b(1[3-9]|2[0-3]):[0-5]\d\b).{0,20}/gm
    return [...new Set(said.flatMap((text) => text.match(kept) ?? []))]
  })

it('an owner sets the units of the salon, and nothing is read in others from then on', async () => {
  const page = await open(owner)
  await page.goto(url(`/plans/${planId}`))
  await totalsContain(page, ' g')
  await pressOn(page, '::-p-named(button The owner, owner: account)')
  await pressOn(page, '[role="menuitem"]::-p-text(Units of the salon)')
  for (const name of ['Ounces', 'Inches', 'Per cent', '12 hours']) await press(page, name)
  await page.waitForFunction(
    () =>
      document.querySelector('[aria-label="Example"]')?.textContent ===
      'Formula A: 4.16 oz (2.93–5.89) with 6 %, row gap 0.24 in, foils 9.45–11.8 in long, done by 2:30 pm.',
  )
  await clean(page)
  await press(page, 'Save')
  await totalsContain(page, ' oz')
  await settled(page)
  await zone(page, 'Front left')
  await pressOn(page, '::-p-text(Paint, dropout, hairline, ramps)')
  await page.waitForSelector('::-p-text(Which hair)')
  await press(page, 'Ramp')
  await page.waitForSelector('::-p-text(Begins at, in)')
  expect(await asKept(page)).toEqual([])
  await press(page, 'Ramp')
  for (const total of ['Formula A', 'foils', 'How it will look', 'cautions and notes']) {
    await pressOn(page, `[aria-label="Totals"] button[aria-label*="${total}"]`)
    await page.waitForSelector('[role="dialog"]')
    expect(await asKept(page)).toEqual([])
  }
})

it('what is typed in the salon’s units is kept in ours, and undo says it in the salon’s', async () => {
  await owner.call('PUT', '/api/units', UNITS)
  const page = await open(owner)
  await page.goto(url(`/plans/${planId}`))
  await totalsContain(page, ' oz')
  await zone(page, 'Front left')
  await fill(page, 'Row gap', '0.5')
  await page.waitForFunction(() =>
    document.querySelector('button[aria-label^="Undo: Row gap"]')?.getAttribute('aria-label')?.includes('→ 0.50 in'),
  )
  await saved(page)
  const gapOf = ({ variants }: FaltoPlan) =>
    variants[0]!.stages.flatMap(({ zones }) => zones).find(({ name }) => name === 'Front left')!.placement.rowGapMm
  expect(gapOf(await exported(owner, planId))).toBe(12.7)
  await fill(page, 'Row gap', '9')
  await page.waitForSelector('::-p-text(Enter a number from 0 to 1.57 in)')
  expect(gapOf(await exported(owner, planId))).toBe(12.7)
})

it('every page and the paper read so, for everybody in the salon', async () => {
  expect((await assistant.call('PUT', '/api/units', UNITS)).status).toBe(403)
  expect((await owner.call('PUT', '/api/units', { ...UNITS, mass: 'stone' })).status).toBe(422)
  await owner.call('PUT', '/api/units', UNITS)
  expect((await assistant.call('GET', '/api/units')).body).toEqual(UNITS)
  const on = '2032-03-04'
  await owner.call('PUT', `/api/plans/${planId}/booking`, { on, arrives: 13 * 60 })
  const page = await open(owner)
  const reads = async (path: string, ready: string) => {
    await page.goto(url(path))
    await page.waitForSelector(ready)
    expect({ path, asKept: await asKept(page) }).toEqual({ path, asKept: [] })
  }
  await reads('/people', '[role="grid"] a')
  await reads(`/people/${clientId}`, '#today')
  await reads(`/people/${clientId}/consultation`, '[aria-label^="Strand of"]')
  for (const tab of await page.$$('[role="tab"]')) {
    await tab.click()
    expect(await asKept(page)).toEqual([])
  }
  await reads(`/plans/${planId}/mix`, '[aria-label="Bowl 1"]')
  await pressOn(page, 'button[aria-label="Weigh bowl 1"]')
  await page.waitForSelector('[role="dialog"] table')
  expect(await asKept(page)).toEqual([])
  await reads(`/plans/${planId}/clock`, '[aria-label="Compared"][aria-busy="false"]')
  await reads(`/day?on=${on}`, 'main [role="status"]')
  await reads('/shelf', '[role="grid"] [role="gridcell"]')
  const sheet = await (
    await fetch(url(`/api/plans/${planId}/export?as=svg`), { headers: { cookie: owner.cookie, ...ONE_CALL } })
  ).text()
  expect(sheet).toMatch(/\d oz \([\d.]+–[\d.]+\)/)
  expect(sheet).not.toMatch(/\d (g|cm|vol)\b/)
})

it('at the chair too', async () => {
  await owner.call('PUT', '/api/units', UNITS)
  const id = await beginRun(owner, planId)
  const page = await open(assistant, { width: 1024, height: 768 })
  await page.goto(url(`/runs/${id}`))
  await page.waitForSelector('[aria-label="Next step"]')
  expect(await page.$eval('header', ({ textContent }) => textContent)).toMatch(/done at \d{1,2}:\d\d [ap]m/)
  expect(await asKept(page)).toEqual([])
})
