import type { Page } from 'puppeteer-core'
import { planFigures, type PlanFigures } from '@/core/plan/planner'
import type { FaltoPlan } from '@/core/model'
import { computePlan } from '../support/planner'
import { deviceOf, exported as exportedBy, newClient, newPlan, type Device } from '../support/server'
import { seriousOn } from './axe'
import { fill, press, saved, settled, totals, totalsContain, url, windows, zone } from './browser'
import { pressOn } from './hand'

const { open } = windows()
let oriel: Device
let bram: Device

beforeAll(async () => {
  ;[oriel, bram] = (await Promise.all([deviceOf('oriel'), deviceOf('bram')])) as [Device, Device]
})

/** What the core says of a document, away from any page. */
const computed = (document: FaltoPlan): PlanFigures => planFigures(document, computePlan(document))

async function openPlan(page: Page, planId: string): Promise<void> {
  await page.goto(url(`/plans/${planId}`))
  await totals(page)
}

const exported = (planId: string) => exportedBy(oriel, planId)

/** The totals strip says exactly these figures. */
async function expectStrip(page: Page, figures: PlanFigures): Promise<void> {
  const strip = await totals(page)
  expect(strip).toContain(`${figures.foils} foils`)
  for (const { expected, low, high } of Object.values(figures.grams))
    expect(strip).toContain(expected > 0 ? `${expected} g (${low}–${high})` : '0 g')
  expect(strip).toContain(`${figures.minutes.expected} min hands-on (${figures.minutes.low}–${figures.minutes.high})`)
  expect(strip).toContain(`left ${figures.sharePercent.left} %`)
}

it('from sign-in to a plan: choose a layout, set three zones, read totals that the command line agrees with, reload, undo', async () => {
  const page = await open()
  await page.setViewport({ width: 1280, height: 800 })
  const name = `Journey ${Date.now()}`
  const clientId = await newClient(oriel, name)

  await page.goto(url('/'))
  await press(page, 'Bram Whitlock colourist')
  await page.locator('input[type="search"]').fill(name)
  await pressOn(page, `[role="grid"] a::-p-text(${name})`)
  await press(page, 'New plan')
  await pressOn(page, '::-p-named(button Top strip)')
  await press(page, 'Start planning')
  const before = await totals(page)
  const planId = page.url().split('/').at(-1)!

  await zone(page, 'Nape')
  await press(page, 'Slice')
  await zone(page, 'Back')
  await press(page, 'Chunky weave')
  await press(page, 'Add a row of formula B')
  await zone(page, 'Top strip')
  await press(page, 'Babylight')
  await fill(page, 'Row gap', '2')
  await saved(page)

  const document = await exported(planId)
  const figures = computed(document)
  await totalsContain(page, `${figures.foils} foils`)
  expect(await totals(page)).not.toBe(before)
  await expectStrip(page, figures)
  const placements = Object.fromEntries(
    document.variants[0]!.stages[0]!.zones.map(({ role, placement }) => [role, placement]),
  )
  expect(placements['nape']!.take.kind).toBe('slice')
  expect(placements['back']!.sequence).toEqual(['A', 'B'])
  expect(placements['top']).toMatchObject({ rowGapMm: 2, subsectionMm: 3, take: { kind: 'babylight' } })

  await page.reload()
  await expectStrip(page, figures)

  for (;;) {
    const undo = await page.waitForSelector('button::-p-text(Undo)')
    if (await undo!.evaluate((button) => (button as HTMLButtonElement).disabled)) break
    await undo!.click()
  }
  await saved(page)
  await totalsContain(page, `${computed(await exported(planId)).foils} foils`)
  expect((await totals(page)).replace(/tap a figure to open it|\d[^a-z]* here/g, '')).toContain(
    before.match(/^\d+ foils/)![0],
  )
  expect(clientId).toBeTruthy()
})

it('two windows on one plan: the second save is offered a merge, and nothing is lost', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Two windows'))
  const one = await open(oriel)
  const two = await open(bram)
  await openPlan(one, planId)
  await openPlan(two, planId)

  await zone(one, 'Back left')
  await fill(one, 'Row gap', '3')
  await saved(one)
  await zone(two, 'Front left')
  await fill(two, 'Row gap', '19')

  await two.waitForSelector('::-p-text(This plan was changed elsewhere meanwhile)')
  const dialog = await two.$eval('[role="dialog"]', (element) => element.textContent ?? '')
  expect(dialog).toContain('Row gap 7 → 3 mm, Back left by Oriel Castellane')
  expect(dialog).toContain('Row gap 7 → 19 mm, Front left')
  await press(two, 'Merge both')
  await saved(two)

  const zones = (await exported(planId)).variants[0]!.stages[0]!.zones
  expect(zones.find(({ role }) => role === 'backLeft')!.placement.rowGapMm).toBe(3)
  expect(zones.find(({ role }) => role === 'frontLeft')!.placement.rowGapMm).toBe(19)

  // The first window is now the late one; it can keep its change as a plan of its own.
  await zone(one, 'Front left')
  await fill(one, 'Row gap', '11')
  await one.waitForSelector('::-p-text(same place as a change above)')
  await press(one, 'Keep mine as a separate plan')
  await saved(one)
  const after = (await exported(planId)).variants[0]!.stages[0]!.zones
  expect(after.find(({ role }) => role === 'frontLeft')!.placement.rowGapMm).toBe(19)
  const client = (
    (await oriel.call('GET', '/api/clients?search=Two%20windows')).body['clients'] as { id: string }[]
  )[0]!
  const plans = (await oriel.call('GET', `/api/clients/${client.id}`)).body['plans'] as { id: string; name: string }[]
  const copy = plans.find(({ name }) => name === 'Test plan (my changes)')!
  expect(
    (await exported(copy.id)).variants[0]!.stages[0]!.zones.find(({ role }) => role === 'frontLeft')!.placement
      .rowGapMm,
  ).toBe(11)
})

it('the keyboard alone: walk zones in working order, assign formulas by digit, undo, list the keys', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Keyboard'))
  const page = await open(oriel)
  await openPlan(page, planId)
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '')
  await page.waitForSelector(
    '[aria-label="Scalp map, seen from behind and above: the face is at the top, the client’s left on the left"]',
    { visible: true },
  )
  await page.evaluate(() => document.querySelector<SVGGElement>('svg g[role="button"][tabindex="0"]')!.focus())
  expect(await focused()).toMatch(/^1, Back left/)
  await page.keyboard.press('ArrowRight')
  expect(await focused()).toMatch(/^2, Back right/)
  await page.keyboard.press('2')
  await page.waitForSelector('[aria-label="Undo: Formula B, Back right"]')
  await page.keyboard.press('ArrowLeft')
  expect(await focused()).toMatch(/^1, Back left/)
  await page.keyboard.press('0')
  await page.waitForSelector('[aria-label="Undo: Leave alone, Back left"]')
  await saved(page)
  const sequences = async () =>
    (await exported(planId)).variants[0]!.stages[0]!.zones.map(({ placement }) => placement.sequence.join())
  expect((await sequences()).slice(0, 2)).toEqual(['', 'B'])
  await page.keyboard.down('Control')
  await page.keyboard.press('z')
  await page.keyboard.press('z')
  await page.keyboard.up('Control')
  await page.waitForFunction(() => !document.querySelector('[aria-label^="Undo:"]'))
  await saved(page)
  expect((await sequences()).slice(0, 2)).toEqual(['A', 'A'])
  await page.keyboard.type('?')
  await page.waitForSelector('#keys-title')
})

it('says what is wrong with an entry at the field, keeps the last good figure, and refuses a head that cannot be', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Bad input'))
  const page = await open(oriel)
  await openPlan(page, planId)
  await zone(page, 'Back left')
  await fill(page, 'Row gap', '4000')
  await page.waitForSelector('::-p-text(Enter a number from 0 to 40 mm.)')
  expect((await exported(planId)).variants[0]!.stages[0]!.zones[0]!.placement.rowGapMm).not.toBe(4000)
  await press(page, 'Head & hair')
  await fill(page, 'Circumference', '5')
  await page.waitForSelector('::-p-text(Enter a number from 45 to 68 cm.)')
  await fill(page, 'Circumference', '54')
  await fill(page, 'Ear to ear over the top', '26')
  await page.waitForSelector('::-p-text(does not fit the other measures of this head)')
  await page.waitForSelector('[data-save="refused"]')

  // A slip is mended by undoing it; what is done afterwards is saved as ever.
  await press(page, 'Done')
  await press(page, 'Undo: Head measures')
  await zone(page, 'Front left')
  await fill(page, 'Row gap', '15')
  await saved(page)
  const document = await exported(planId)
  expect(document.head).toEqual({ circumferenceCm: 54 })
  expect(document.variants[0]!.stages[0]!.zones.find(({ role }) => role === 'frontLeft')!.placement.rowGapMm).toBe(15)
})

it('keeps unsaved work through an ended session and a reload', async () => {
  const planId = await newPlan(bram, await newClient(bram, 'Session'))
  const device = await deviceOf('bram')
  const page = await open(device)
  await openPlan(page, planId)
  await device.call('POST', '/api/auth/sign-out', {})
  await zone(page, 'Back left')
  await fill(page, 'Row gap', '17')
  await page.waitForSelector('::-p-text(Your session has ended.)')
  const kept = await page.evaluate(
    () => Object.entries(localStorage).filter(([key]) => key.startsWith('falto-unsent')).length,
  )
  expect(kept).toBe(1)
  const again = await deviceOf('bram')
  const [name, value] = [
    again.cookie.slice(0, again.cookie.indexOf('=')),
    again.cookie.slice(again.cookie.indexOf('=') + 1),
  ]
  await page
    .browserContext()
    .setCookie({ name, value: value.split('; ')[0]!, domain: '127.0.0.1', path: '/', sameSite: 'Lax', httpOnly: true })
  await openPlan(page, planId)
  await page.waitForFunction(() => !Object.keys(localStorage).some((key) => key.startsWith('falto-unsent')))
  expect(
    (await exported(planId)).variants[0]!.stages[0]!.zones.find(({ role }) => role === 'backLeft')!.placement.rowGapMm,
  ).toBe(17)
})

it('opens every total to what it came from, and lets a caution be acknowledged by name', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Totals'))
  const page = await open(oriel)
  await openPlan(page, planId)
  for (const [start, words] of [
    ['foils', 'Rows are laid'],
    ['Formula A', 'mix per gram of hair'],
    ['Hands-on', '45 s to section'],
    ['Share of hair', 'stitch over stitch and gap'],
  ] as const) {
    await pressOn(page, `[aria-label="Totals"] button[aria-label*="${start}"]`)
    await page.waitForSelector(`[role="dialog"] ::-p-text(${words})`)
  }
  await pressOn(page, '[aria-label="Totals"] button[aria-label*="cautions"]')
  // The client’s own care record takes the place of the general reminder.
  await page.waitForSelector('::-p-text(Allergy alert test: not recorded)')
  await fill(page, 'What was checked', 'patch read at 48 h')
  await press(page, 'Acknowledge')
  await page.waitForSelector('::-p-text(Acknowledged by Oriel Castellane)')
})

it('changes sections keeping what was set', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Sections'))
  const page = await open(oriel)
  await openPlan(page, planId)
  await zone(page, 'Back left')
  await fill(page, 'Row gap', '13')
  await saved(page)
  const ids = (await exported(planId)).variants[0]!.stages[0]!.zones.map(({ id }) => id)
  await press(page, 'Sections')
  await pressOn(page, '::-p-named(switch Nape as a section of its own, under the occipital bone)')
  await press(page, 'Use these sections')
  await page.waitForSelector('::-p-text(Nape)')
  await saved(page)
  const zones = (await exported(planId)).variants[0]!.stages[0]!.zones
  expect(zones).toHaveLength(5)
  expect(zones.map(({ id }) => id)).toEqual(expect.arrayContaining(ids))
  expect(zones.find(({ role }) => role === 'backLeft')!.placement.rowGapMm).toBe(13)
})

it('by touch: tap a zone on the map, step a figure with a fingertip, on a tablet held upright', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Touch'))
  const page = await open(oriel, { width: 820, height: 1180, hasTouch: true, isMobile: true })
  await openPlan(page, planId)
  const target = await page.waitForSelector('svg g[role="button"][aria-label^="3, Front left"]')
  const box = (await target!.boundingBox())!
  await page.touchscreen.tap(box.x + box.width * 0.6, box.y + box.height * 0.6)
  const more = await page.waitForSelector('[aria-label="Row gap: more"]')
  const size = (await more!.boundingBox())!
  expect(Math.min(size.width, size.height)).toBeGreaterThanOrEqual(44)
  await more!.tap()
  await more!.tap()
  await saved(page)
  expect(
    (await exported(planId)).variants[0]!.stages[0]!.zones.find(({ role }) => role === 'frontLeft')!.placement.rowGapMm,
  ).toBe(9)
})

it('saves a client’s name and head again and again, says so, and offers a plan the newer record', async () => {
  const clientId = await newClient(oriel, 'Record')
  const planId = await newPlan(oriel, clientId)
  const page = await open(oriel)
  await page.goto(url(`/people/${clientId}`))
  for (const circumference of ['55', '57']) {
    await fill(page, 'Circumference', circumference)
    await page.waitForSelector('::-p-text(saving…)')
    await page.waitForSelector('::-p-text(saved ✓)')
  }
  expect((await oriel.call('GET', `/api/clients/${clientId}`)).body).toMatchObject({
    revision: 2,
    head: { circumferenceCm: 57 },
  })
  await openPlan(page, planId)
  await page.waitForSelector('::-p-text(differs from the client’s record)')
  await press(page, 'Head & hair')
  await press(page, 'Take over the client’s record')
  await page.waitForSelector('[aria-label^="Undo: Head and hair from"]')
  await saved(page)
  expect((await exported(planId)).head.circumferenceCm).toBe(57)
})

it('has no serious accessibility issue on any screen', async () => {
  const clientId = await newClient(oriel, 'Axe')
  const planId = await newPlan(oriel, clientId)
  const page = await open(oriel)
  const check = async (screen: string) => {
    await settled(page)
    expect([screen, ...(await seriousOn(page))]).toEqual([screen])
  }
  await page.goto(url('/sign-in'))
  await page.waitForSelector('form')
  await check('sign-in')
  await page.goto(url('/people'))
  await page.waitForSelector('[role="grid"] [role="row"] a')
  await check('people')
  await page.goto(url(`/people/${clientId}`))
  await page.waitForSelector('::-p-text(Name and head)')
  await check('client')
  await openPlan(page, planId)
  await zone(page, 'Back left')
  await page.waitForSelector('::-p-text(What is taken)')
  await check('map')
  await pressOn(page, '[aria-label="Totals"] button[aria-label*="Formula A"]')
  await page.waitForSelector('[role="dialog"]')
  await check('map with a total opened')
})
