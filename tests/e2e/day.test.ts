import { deviceOf, servicePlanOf, type Device } from '../support/server'
import { clean } from './axe'
import { url, windows } from './browser'
import { pressOn } from './hand'

const { open } = windows()
let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

/** A day that nothing else is booked for, however often this runs on one database. */
const ON = new Date(Date.UTC(2031, 0, 1) + Math.floor(Math.random() * 20_000) * 86_400_000).toISOString().slice(0, 10)

it('shows who comes on a day, finds a time at which one more fits in, and keeps it', async () => {
  const first = await servicePlanOf(oriel, 'Day, first', 'scalpToTip')
  const second = await servicePlanOf(oriel, 'Day, second', 'topAndSides')
  expect((await oriel.call('PUT', `/api/plans/${first}/booking`, { on: ON, arrives: 600 })).status).toBe(200)
  expect((await oriel.call('PUT', `/api/plans/${second}/booking`, { on: ON })).status).toBe(200)
  const page = await open(oriel)
  await page.goto(url(`/day?on=${ON}`))
  await page.waitForFunction(() =>
    document.querySelector('li[aria-label="Day, first"]')?.textContent?.includes('done at'),
  )
  expect(await page.$eval('li[aria-label="Day, second"]', ({ textContent }) => textContent)).toContain('no time yet')
  await clean(page)
  await pressOn(page, 'li[aria-label="Day, second"] ::-p-text(Earliest)')
  await page.waitForFunction(
    () => document.querySelector('li[aria-label="Day, second"]')?.textContent?.includes('done at'),
    { timeout: 60_000 },
  )
  await page.waitForFunction(() => document.querySelector('main [role="status"]')?.textContent?.startsWith('It fits'))
  const kept = () => page.$eval('li[aria-label="Day, second"] input', (input) => (input as HTMLInputElement).value)
  const found = await kept()
  expect(found).toMatch(/^\d\d:(00|15|30|45)$/)
  await page.reload()
  await page.waitForSelector('li[aria-label="Day, second"]')
  expect(await kept()).toBe(found)
})

it('says that nobody is booked, and takes no day that does not exist', async () => {
  const page = await open(oriel, { width: 390, height: 844 })
  await page.goto(url('/day?on=2030-03-15'))
  await page.waitForSelector('::-p-text(Nobody is booked for this day)')
  await clean(page)
  await page.goto(url('/day?on=2031-02-31'))
  const shown = await page.$eval('::-p-named(group Day)', ({ textContent }) => textContent ?? '')
  expect(shown).toContain(String(new Date().getFullYear()))
  expect(shown).not.toContain('31')
})
