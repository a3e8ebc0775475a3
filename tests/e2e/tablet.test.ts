import type { Page } from 'puppeteer-core'
import type { StaffRole } from '@/core/model'
import { beginRun, exported, newClient, newPlan } from '../support/server'
import { newSalon, SALON_PASSWORD, signInAs, type TestSalon } from '../support/salon'
import { clean } from './axe'
import { fill, press, saved, totals, url, windows, zone } from './browser'
import { pressOn } from './hand'

/** One tablet, several people: it locks itself, and what one of them did is not sent under another's name. */

const { open } = windows()
const PINS = { owner: '48151', colourist: '6237' } as const

let salon: TestSalon
beforeAll(async () => {
  salon = await newSalon()
  for (const role of ['owner', 'colourist'] as const)
    await salon.devices[role].call('PUT', '/api/account/pin', { password: SALON_PASSWORD, pin: PINS[role] })
})

/** A window whose device the owner shares. */
async function sharedTablet(): Promise<Page> {
  const page = await open(await signInAs(salon.emails.owner), { width: 1024, height: 768 })
  await page.goto(url('/salon'))
  await press(page, 'Share this device…')
  await fill(page, 'What you call it', 'Chair 2')
  await press(page, 'Share it')
  await page.waitForSelector('::-p-text(Chair 2 (this device))')
  return page
}

async function takeOver(page: Page, role: keyof typeof PINS, pin: string = PINS[role]): Promise<void> {
  await page.waitForSelector('::-p-text(Who is it?)')
  await pressOn(page, `button::-p-text(The ${role})`)
  await typePin(page, pin)
}

async function typePin(page: Page, pin: string): Promise<void> {
  const field = await page.waitForSelector('input[inputmode="numeric"]')
  await field!.type(pin)
  await page.keyboard.press('Enter')
}

const isOf = (page: Page, role: StaffRole) => page.waitForSelector(`button[aria-label^="The ${role}, ${role}"]`)
/** The tablet lay about for longer than it stays open. */
const layAbout = (page: Page) => page.evaluate(() => localStorage.setItem('falto-touched', '0'))

it('a tablet that is shared locks itself, and is opened by a PIN and by no wrong one', async () => {
  const page = await sharedTablet()
  await clean(page)
  await press(page, 'The owner, owner: account')
  await pressOn(page, '[role="menuitem"]::-p-text(Lock)')
  await page.waitForSelector('::-p-text(Who is it?)')
  await clean(page)
  await takeOver(page, 'colourist', '9999')
  await page.waitForSelector('::-p-text(is not the PIN)')
  await typePin(page, PINS.colourist)
  await isOf(page, 'colourist')
  await page.goto(url('/people'))
  await isOf(page, 'colourist')
  await layAbout(page)
  await page.waitForSelector('::-p-text(Who is it?)')
  // Whoever comes by cannot get round it by opening another page.
  await page.goto(url('/day'))
  await takeOver(page, 'owner')
  await isOf(page, 'owner')
  expect(new URL(page.url()).pathname).toBe('/day')
})

it('what one has not sent waits for her, whoever uses the tablet meanwhile', async () => {
  const page = await sharedTablet()
  const { owner } = salon.devices
  const planId = await newPlan(owner, await newClient(owner, 'Shared'))
  const gap = async () =>
    (await exported(owner, planId)).variants[0]!.stages[0]!.zones.find(({ role }) => role === 'frontLeft')!.placement
      .rowGapMm
  const before = await gap()
  await page.goto(url(`/plans/${planId}`))
  await totals(page)
  await zone(page, 'Front left')
  await page.waitForSelector('::-p-named(textbox Row gap)')
  await page.setOfflineMode(true)
  await fill(page, 'Row gap', '15')
  await page.waitForSelector('[data-save="offline"]')
  await layAbout(page)
  await page.waitForSelector('::-p-text(Who is it?)')
  await page.setOfflineMode(false)
  await pressOn(page, 'button::-p-text(Try again)')

  await takeOver(page, 'colourist')
  await isOf(page, 'colourist')
  await totals(page)
  await saved(page)
  expect(await gap()).toBe(before)

  await layAbout(page)
  await takeOver(page, 'owner')
  await isOf(page, 'owner')
  await totals(page)
  await saved(page)
  expect(await gap()).toBe(15)
})

it('at the chair the clock stays in sight while nothing can be told', async () => {
  const page = await sharedTablet()
  const { owner } = salon.devices
  const run = await beginRun(owner, await newPlan(owner, await newClient(owner, 'Clock in sight')))
  await page.goto(url(`/runs/${run}`))
  await page.waitForSelector('[aria-label="Next step"]')
  await press(page, 'Something happened')
  await page.waitForSelector('[role="dialog"]')
  await layAbout(page)
  await page.waitForSelector('[role="status"]::-p-text(Locked)')
  await page.waitForSelector('[aria-label="Next step"]')
  const shown = await page.$eval('[aria-label="Next step"]', (step) => {
    const { top, height } = step.getBoundingClientRect()
    const hit = document.elementFromPoint(innerWidth / 4, top + height / 2)
    return {
      visible: getComputedStyle(step).visibility,
      reached: step.contains(hit),
      dialogs: document.querySelectorAll('[role="dialog"]').length,
    }
  })
  expect(shown).toEqual({ visible: 'visible', reached: false, dialogs: 0 })
  await press(page, 'Unlock')
  await takeOver(page, 'colourist')
  await page.waitForSelector('[role="status"]::-p-text(Locked)', { hidden: true })
  await page.waitForSelector('[aria-label="Next step"]')
  await press(page, 'Begin')
  await page.waitForSelector('::-p-named(button Done)')
})
