import { AxePuppeteer } from '@axe-core/puppeteer'
import type { Browser, Page } from 'puppeteer-core'
import type { FaltoPlan } from '@/core/model'
import { computePlan, planFigures } from '@/core/pipeline'
import { database } from '@/db'
import { EXPECTED, DESIGNED_BY_HAND } from '../reference/services.expected'
import { deviceOf, newClient, newPlan, type Device } from '../support/server'
import { fill, openWindow, press, saved, settled, startBrowser, stopBrowser, totals, totalsContain, url } from './browser'

jest.setTimeout(120_000)

let browser: Browser
let oriel: Device
const problems: string[] = []

beforeAll(async () => {
  browser = await startBrowser()
  oriel = await deviceOf('oriel')
})
afterAll(async () => {
  await stopBrowser(browser)
  await database().$client.end()
})
afterEach(() => {
  expect(problems.splice(0)).toEqual([])
})

const exported = async (planId: string) => (await oriel.call('GET', `/api/plans/${planId}/export`)).body as unknown as FaltoPlan
const zone = (page: Page, name: string) => page.locator(`::-p-aria([name="Order of application"]) ::-p-text(${name})`).click()

/** Opens a plan and counts what hands do from then on: every press of a key and of a pointer. */
async function counted(planId: string): Promise<{ page: Page; inputs: () => Promise<number> }> {
  const page = await openWindow(browser, oriel, problems)
  await page.evaluateOnNewDocument(() => {
    const window_ = window as typeof window & { inputs: number }
    window_.inputs = 0
    for (const kind of ['keydown', 'pointerdown']) window.addEventListener(kind, (event) => event.isTrusted && window_.inputs++, true)
  })
  await page.goto(url(`/plans/${planId}`))
  await totals(page)
  return { page, inputs: () => page.evaluate(() => (window as typeof window & { inputs: number }).inputs) }
}

/** How each of the named kinds is set up by hand, from an empty plan on four quadrants. */
const BY_HAND: Record<(typeof DESIGNED_BY_HAND)[number], (page: Page) => Promise<void>> = {
  async topAndSides(page) {
    await press(page, 'Sections')
    await press(page, 'Top strip')
    await press(page, 'Use these sections')
    for (const alone of ['Nape', 'Back']) {
      await zone(page, alone)
      await press(page, 'Row 1 of the rhythm: formula A. Take out')
    }
    await zone(page, 'Left side')
    await press(page, 'Row gap: more')
    await press(page, 'Diagonal back')
    await press(page, 'Same on right side')
    await zone(page, 'Top strip')
    await press(page, 'Fine weave')
    await press(page, 'Row gap: more')
  },
  async boldSlices(page) {
    await press(page, 'Sections')
    await press(page, 'Top strip')
    await press(page, 'Use these sections')
    await zone(page, 'Nape')
    await press(page, 'Slice')
    await press(page, 'Subsection: more')
    await fill(page, 'Row gap', '0')
    await press(page, 'Add a row of formula B')
    await press(page, 'Same everywhere')
    await zone(page, 'Left side')
    await press(page, 'Diagonal back')
    await press(page, 'Same on right side')
  },
  async rootedTeased(page) {
    await press(page, 'Sections')
    await page.locator('::-p-aria([name="Nape as a section of its own, under the occipital bone"])').click()
    await press(page, 'Use these sections')
    await zone(page, 'Back left')
    await press(page, 'Teased')
    await fill(page, 'Row gap', '14')
    await fill(page, 'Start from the scalp', '3')
    await press(page, 'Diagonal back')
    await press(page, 'Same everywhere')
    await zone(page, 'Nape')
    await press(page, 'Horizontal')
    await press(page, 'Start from the scalp: more')
    await press(page, 'Add a stage')
    await page.locator('[role="menuitem"]::-p-text(Shadow root)').click()
    await settled(page)
    await zone(page, 'Back left')
    await press(page, 'On the scalp')
    await press(page, 'Add a row of formula B')
    await press(page, 'Same everywhere')
  },
}

it.each(DESIGNED_BY_HAND)('%s is designed from an empty plan in at most sixty presses, and comes out as expected', async (kind) => {
  const planId = await newPlan(oriel, await newClient(oriel, `By hand ${kind}`))
  const { page, inputs } = await counted(planId)
  await BY_HAND[kind](page)
  await saved(page)
  const hands = await inputs()
  expect(hands).toBeGreaterThan(8)
  expect(hands).toBeLessThanOrEqual(60)
  const plan = await exported(planId)
  const { foils, look } = planFigures(plan, computePlan(plan))
  const { foils: expected, light } = EXPECTED[kind]!
  expect(foils).toBeGreaterThanOrEqual(expected[0])
  expect(foils).toBeLessThanOrEqual(expected[1])
  expect(look.lightPercent).toBeGreaterThanOrEqual(light[0])
  expect(look.lightPercent).toBeLessThanOrEqual(light[1])
})

it('a parting is drawn, bent, merged away and undone; one that crosses itself is refused in words and nothing is lost', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Partings'))
  const { page } = await counted(planId)
  const map = (await page.waitForSelector('svg[aria-label^="Scalp map"]'))!
  const box = (await map.boundingBox())!
  const at = (x: number, y: number) => [box.x + box.width * x, box.y + box.height * y] as const
  const draw = async (points: readonly (readonly [number, number])[]) => {
    await page.mouse.move(...at(...points[0]!))
    await page.mouse.down()
    for (const point of points.slice(1)) await page.mouse.move(...at(...point), { steps: 6 })
    await page.mouse.up()
  }
  await press(page, 'Draw a parting')
  await page.waitForSelector('[aria-label="Partings in hand"]')
  await draw([[0.5, 0.3], [0.3, 0.28], [0.12, 0.2]])
  await page.waitForSelector('::-p-text(Front left, part)')
  await saved(page)
  expect((await exported(planId)).variants[0]!.stages[0]!.zones).toHaveLength(5)

  await draw([[0.2, 0.4], [0.45, 0.4], [0.3, 0.5], [0.3, 0.3]])
  await page.waitForSelector('[role="alert"]::-p-text(crosses itself)')
  expect((await exported(planId)).variants[0]!.stages[0]!.zones).toHaveLength(5)

  await press(page, 'Move')
  const corner = (await page.waitForSelector('circle[aria-label^="Corner"]'))!
  await corner.evaluate((circle) => (circle as SVGCircleElement).focus())
  await page.keyboard.press('ArrowLeft')
  await page.waitForSelector('[aria-label="Undo: Corner moved"]')

  await press(page, 'Merge')
  await zone(page, 'Front left, part')
  await page.mouse.click(...at(0.38, 0.4))
  await page.waitForSelector('[aria-label="Undo: Zones merged"]')
  await saved(page)
  expect((await exported(planId)).variants[0]!.stages[0]!.zones).toHaveLength(4)
  for (const what of ['Zones merged', 'Corner moved', 'Parting drawn']) await press(page, `Undo: ${what}`)
  await saved(page)
  expect((await exported(planId)).variants[0]!.stages[0]!.layout.vertices).toEqual((await exported(await newPlan(oriel, await newClient(oriel, 'Fresh')))).variants[0]!.stages[0]!.layout.vertices)
})

it('starts from a kind of service fitted to the client, switches between stages and opens how it will look', async () => {
  const clientId = await newClient(oriel, 'Service')
  const page = await openWindow(browser, oriel, problems)
  await page.goto(url(`/people/${clientId}`))
  await press(page, 'New plan')
  await page.locator('::-p-aria([name="Start from"][role="combobox"])').click()
  await page.locator('[role="option"]::-p-text(Correction in tiers)').click()
  await settled(page)
  await press(page, 'Start planning')
  await totals(page)
  await page.locator('[aria-label="Stages"] button::-p-text(2 Gloss)').click()
  await zone(page, 'Back left')
  await page.waitForSelector('section[aria-label^="Zone"]')
  await press(page, '1 Lighten')
  await zone(page, 'Nape')
  await page.locator('::-p-text(Paint, dropout, hairline, ramps)').click()
  await page.waitForSelector('::-p-text(What is not picked up)')
  await page.locator('[aria-label="Totals"] button[aria-label*="How it will look"]').click()
  await page.waitForSelector('[role="dialog"] ::-p-text(Left like right)')
  await settled(page)
  const { violations } = await new AxePuppeteer(page).analyze()
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes[0]!.html.slice(0, 160)}`)).toEqual([])
})

it('the finest work that is allowed is still computed, and finer is refused at the field', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Hostile'))
  const { page } = await counted(planId)
  await zone(page, 'Back left')
  await press(page, 'Babylight')
  await fill(page, 'Subsection', '2')
  await fill(page, 'Row gap', '0')
  await fill(page, 'Stitch', '0.5')
  await fill(page, 'Gap between stitches', '0.5')
  await press(page, 'Same everywhere')
  await saved(page)
  const plan = await exported(planId)
  await totalsContain(page, `${planFigures(plan, computePlan(plan)).foils} foils`)
  await fill(page, 'Stitch', '0.1')
  await page.waitForSelector('::-p-text(Enter a number from 0.5 to 25 mm.)')
})

it('advice says why and does in one press what it suggests; a plan proposed from the consultation explains itself', async () => {
  const clientId = await newClient(oriel, 'Advice')
  const planId = await newPlan(oriel, clientId)
  const { page } = await counted(planId)
  await zone(page, 'Back left')
  await fill(page, 'Subsection', '14')
  await page.locator('[aria-label="Totals"] button[aria-label*="cautions"]').click()
  await page.locator('button[value="advice"]').click()
  await page.waitForSelector('[aria-label="Advice"] ::-p-text(lifts in patches)')
  await press(page, 'Part at 7 mm')
  await saved(page)
  expect((await exported(planId)).variants[0]!.stages[0]!.zones.find(({ role }) => role === 'backLeft')!.placement.subsectionMm).toBe(7)
  await page.waitForSelector('[aria-label="Undo: Part at 7 mm"]')

  await page.goto(url(`/people/${clientId}`))
  await press(page, 'New plan')
  await page.locator('::-p-aria([name="Start from"][role="combobox"])').click()
  await page.locator('[role="option"]::-p-text(Proposed from the consultation)').click()
  await settled(page)
  await press(page, 'Start planning')
  await page.waitForSelector('::-p-text(There is no consultation to propose from yet)')
  await page.goto(url(`/people/${clientId}/consultation`))
  await page.waitForSelector('[aria-label^="Strand of"]')
  await page.locator('[role="tab"]::-p-text(Wish & verdict)').click()
  await fill(page, 'How much of the hair is light', '35')
  await saved(page)
  await page.goto(url(`/people/${clientId}`))
  await press(page, 'New plan')
  await page.locator('::-p-aria([name="Start from"][role="combobox"])').click()
  await page.locator('[role="option"]::-p-text(Proposed from the consultation)').click()
  await settled(page)
  await press(page, 'Start planning')
  await totals(page)
  await page.locator('[aria-label="Totals"] button[aria-label*="cautions"]').click()
  await page.locator('button[value="advice"]').click()
  await page.waitForSelector('::-p-text(Why this plan was proposed)')
})

it('another idea is made from one, changed, and both stand side by side with what differs', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Ideas'))
  const { page } = await counted(planId)
  const openIdeas = async () => {
    await press(page, 'More')
    await page.locator('[role="menuitem"]::-p-text(Ideas side by side)').click()
    await settled(page)
  }
  await openIdeas()
  await press(page, 'Another idea from this one')
  await page.waitForSelector('table[aria-label="Two ideas side by side"]')
  await press(page, 'Done')
  await settled(page)
  await zone(page, 'Back left')
  await fill(page, 'Row gap', '3')
  await openIdeas()
  await page.waitForSelector('::-p-text(Back left: rowGapMm 7 → 3)')
  await saved(page)
  const { variants, activeVariantId } = await exported(planId)
  expect(variants.map(({ name }) => name)).toEqual(['First idea', 'Idea 2'])
  expect(activeVariantId).toBe(variants[1]!.id)
  const gaps = variants.map(({ stages }) => stages[0]!.zones.find(({ role }) => role === 'backLeft')!.placement.rowGapMm)
  expect(gaps).toEqual([7, 3])
  expect(new Set(variants.flatMap(({ stages }) => stages.flatMap(({ zones }) => zones.map(({ id }) => id)))).size).toBe(8)
})
