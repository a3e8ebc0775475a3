/* eslint-disable max-lines -- one page: everything that is done on the map */
import { byId } from '@/core/model'
import type { KeyInput, Page } from 'puppeteer-core'
import { planFigures } from '@/core/plan/planner'
import { EXPECTED, DESIGNED_BY_HAND } from '../reference/services.expected'
import { planWith } from '../support/plan'
import { deviceOf, exported as exportedBy, newClient, newPlan, type Device } from '../support/server'
import { seriousOn } from './axe'
import {
  becomes,
  counted,
  fill,
  listening,
  press,
  saved,
  settled,
  totals,
  totalsContain,
  url,
  windows,
  zone,
} from './browser'
import { pressOn } from './hand'
import { computePlan } from '../support/planner'

const { open } = windows()
let oriel: Device

beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

const exported = (planId: string) => exportedBy(oriel, planId)

/** Opens a plan and counts what hands do from then on. */
async function openCounted(planId: string): Promise<{ page: Page; inputs: () => Promise<number> }> {
  const page = await open(oriel)
  await page.goto(url(`/plans/${planId}`))
  await totals(page)
  return { page, inputs: await counted(page) }
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
    await pressOn(page, '::-p-named(switch Nape as a section of its own, under the occipital bone)')
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
    await pressOn(page, '[role="menuitem"]::-p-text(Shadow root)')
    await settled(page)
    await zone(page, 'Back left')
    await press(page, 'On the scalp')
    await press(page, 'Add a row of formula B')
    await press(page, 'Same everywhere')
  },
}

it.each(DESIGNED_BY_HAND)(
  '%s is designed from an empty plan in at most sixty presses, and comes out as expected',
  async (kind) => {
    const planId = await newPlan(oriel, await newClient(oriel, `By hand ${kind}`))
    const { page, inputs } = await openCounted(planId)
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
  },
)

it('a parting is drawn, bent, merged away and undone; one that crosses itself is refused in words and nothing is lost', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Partings'))
  const { page } = await openCounted(planId)
  // Points below are shares of the map as it lies in a window that has room for the bar of views over it.
  await page.setViewport({ width: 1280, height: 841 })
  await press(page, 'Draw a parting')
  await page.waitForSelector('[aria-label="Partings in hand"]')
  const map = (await page.waitForSelector('svg[aria-label^="Scalp map"]'))!
  const box = (await map.boundingBox())!
  const at = (x: number, y: number) => [box.x + box.width * x, box.y + box.height * y] as const
  const draw = async (points: readonly (readonly [number, number])[]) => {
    await page.mouse.move(...at(...points[0]!))
    await page.mouse.down()
    for (const point of points.slice(1)) await page.mouse.move(...at(...point), { steps: 6 })
    await page.mouse.up()
  }
  await draw([
    [0.5, 0.3],
    [0.3, 0.28],
    [0.12, 0.2],
  ])
  await page.waitForSelector('::-p-text(Front left, part)')
  await saved(page)
  expect((await exported(planId)).variants[0]!.stages[0]!.zones).toHaveLength(5)

  await draw([
    [0.2, 0.4],
    [0.45, 0.4],
    [0.3, 0.5],
    [0.3, 0.3],
  ])
  await page.waitForSelector('[role="alert"]::-p-text(crosses itself)')
  expect((await exported(planId)).variants[0]!.stages[0]!.zones).toHaveLength(5)

  await press(page, 'Move')
  const corner = (await page.waitForSelector('g[aria-label^="Corner"]'))!
  await corner.evaluate((dot) => (dot as SVGGElement).focus())
  await page.keyboard.press('ArrowLeft')
  await page.waitForSelector('[aria-label="Undo: Corner moved"]')

  await press(page, 'Merge')
  await zone(page, 'Front left, part')
  // The map is where the tool's own words leave room for it.
  const now = (await map.boundingBox())!
  await page.mouse.click(now.x + now.width * 0.38, now.y + now.height * 0.4)
  await page.waitForSelector('[aria-label="Undo: Zones merged"]')
  await saved(page)
  expect((await exported(planId)).variants[0]!.stages[0]!.zones).toHaveLength(4)
  for (const what of ['Zones merged', 'Corner moved', 'Parting drawn']) await press(page, `Undo: ${what}`)
  await saved(page)
  expect((await exported(planId)).variants[0]!.stages[0]!.layout.vertices).toEqual(
    (await exported(await newPlan(oriel, await newClient(oriel, 'Fresh')))).variants[0]!.stages[0]!.layout.vertices,
  )
})

it('an island is taken out by a round parting, and put back', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Island'))
  const { page } = await openCounted(planId)
  const zonesOf = async () => (await exported(planId)).variants[0]!.stages[0]!.zones
  const whole = await totals(page)
  await press(page, 'Draw a parting')
  await page.waitForSelector('[aria-label="Partings in hand"]')
  const map = (await page.waitForSelector('svg[aria-label^="Scalp map"]'))!
  const box = (await map.boundingBox())!
  const around = (turn: number) =>
    [
      box.x + box.width * 0.36 + 0.07 * box.width * Math.cos(2 * Math.PI * turn),
      box.y + box.height * 0.34 + 0.07 * box.width * Math.sin(2 * Math.PI * turn),
    ] as const
  await page.mouse.move(...around(0))
  await page.mouse.down()
  // A little past where it began, as hands do.
  for (let turn = 1; turn <= 41; turn++) await page.mouse.move(...around(turn / 40))
  await page.mouse.up()
  await page.waitForSelector('::-p-text(Front left, part)')
  await saved(page)
  const [kept, island] = (await zonesOf()).filter(({ name }) => name.startsWith('Front left'))
  expect(island!.boundary).toHaveLength(2)
  expect(kept!.boundary.length).toBeGreaterThan(5)
  expect(await totals(page)).not.toBe(whole)

  await press(page, 'Merge')
  await zone(page, 'Front left, part')
  const now = (await map.boundingBox())!
  await page.mouse.click(now.x + now.width * 0.36, now.y + now.height * 0.5)
  await page.waitForSelector('[aria-label="Undo: Zones merged"]')
  await saved(page)
  expect(await zonesOf()).toHaveLength(4)
})

it('a parting is drawn and merged away with the keyboard alone', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'By keys'))
  const { page } = await openCounted(planId)
  const strokes = async (...keys: [key: KeyInput, times?: number][]) => {
    for (const [key, times = 1] of keys) for (let i = 0; i < times; i++) await page.keyboard.press(key)
  }
  const tool = async (name: string) => {
    await page.locator(`::-p-named(button ${name})`).wait()
    await page.focus(`::-p-named(button ${name})`)
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => document.activeElement?.getAttribute('role') === 'application')
  }
  const zonesOf = async () => (await exported(planId)).variants[0]!.stages[0]!.zones
  // A key before, so that the focus counts as the keyboard's.
  await page.keyboard.press('Tab')
  await tool('Draw a parting')
  await strokes(['ArrowUp', 8], ['Enter'], ['ArrowLeft', 40], ['Enter'])
  await page.waitForSelector('[aria-label="Undo: Parting drawn"]')
  await saved(page)
  expect((await zonesOf()).map(({ name }) => name)).toContain('Front left, part')
  await tool('Merge')
  await strokes(['ArrowLeft', 6], ['ArrowUp', 12], ['Enter'])
  await page.waitForSelector('section[aria-label^="Zone"]')
  await strokes(['ArrowDown', 8], ['Enter'])
  await page.waitForSelector('[aria-label="Undo: Zones merged"]')
  await saved(page)
  expect(await zonesOf()).toHaveLength(4)
  // A diamond, corner by corner, back to where it began.
  await tool('Draw a parting')
  await strokes(['ArrowUp', 14], ['ArrowLeft', 8], ['Enter'], ['ArrowLeft', 4], ['ArrowDown', 4], ['Space'])
  await strokes(['ArrowRight', 4], ['ArrowDown', 4], ['Space'], ['ArrowRight', 4], ['ArrowUp', 4], ['Space'])
  await strokes(['ArrowLeft', 4], ['ArrowUp', 4], ['Enter'])
  await page.waitForSelector('::-p-text(Front left, part)')
  await saved(page)
  expect(await zonesOf()).toHaveLength(5)
})

it('starts from a kind of service fitted to the client, switches between stages and opens how it will look', async () => {
  const clientId = await newClient(oriel, 'Service')
  const page = await open(oriel)
  await page.goto(url(`/people/${clientId}`))
  await press(page, 'New plan')
  await pressOn(page, '::-p-named(combobox Start from)')
  await pressOn(page, '[role="option"]::-p-text(Correction in tiers)')
  await settled(page)
  await press(page, 'Start planning')
  await totals(page)
  await pressOn(page, '[aria-label="Stages"] button::-p-text(2 Gloss)')
  await zone(page, 'Back left')
  await page.waitForSelector('section[aria-label^="Zone"]')
  await press(page, '1 Lighten')
  await zone(page, 'Nape')
  await pressOn(page, '::-p-text(Paint, dropout, hairline, ramps)')
  await page.waitForSelector('::-p-text(What is not picked up)')
  await pressOn(page, '[aria-label="Totals"] button[aria-label*="How it will look"]')
  await page.waitForSelector('[role="dialog"] ::-p-text(Left like right)')
  await settled(page)
  expect(await seriousOn(page)).toEqual([])
})

it('parts past a side part, begins on the other side in one press, and keeps a retouch to the new growth', async () => {
  const clientId = await newClient(oriel, 'Side part')
  const planId = await newPlan(oriel, clientId)
  const { page } = await openCounted(planId)
  await press(page, 'Sections')
  await fill(page, 'Part from the middle', '3')
  await fill(page, 'Past a side part by', '5')
  await press(page, 'Use these sections')
  await settled(page)
  await press(page, 'Begin on the right')
  await page.waitForSelector('[aria-label="Undo: Begun on the right"]')
  await zone(page, 'Front left')
  await pressOn(page, '::-p-text(Paint, dropout, hairline, ramps)')
  await page.waitForSelector('button::-p-text(New growth only: 2.3 cm)')
  // What opens still moves; a press meanwhile lands beside.
  await settled(page)
  const before = await totals(page)
  await pressOn(page, 'button::-p-text(New growth only: 2.3 cm)')
  await page.waitForFunction((was) => document.querySelector('[aria-label="Totals"]')?.textContent !== was, {}, before)
  await saved(page)
  const { zones, order, layout } = (await exported(planId)).variants[0]!.stages[0]!
  expect(layout.parameters).toMatchObject({ partOffsetCm: 3, pastPartCm: 5 })
  expect(order.map((id) => byId(zones, id).role)).toEqual(['backRight', 'backLeft', 'frontRight', 'frontLeft'])
  // Eight weeks at 1.25 cm a month: public dermatology guidance, as in docs/method.md.
  expect(zones.find(({ role }) => role === 'frontLeft')!.placement).toMatchObject({ startCm: 0, upToCm: 2.3 })
  await press(page, 'Undo: New growth only, Front left')
  await press(page, 'Undo: Begun on the right')
  await saved(page)
  const undone = (await exported(planId)).variants[0]!.stages[0]!
  expect(undone.zones.find(({ role }) => role === 'frontLeft')!.placement.upToCm).toBeUndefined()
  expect(undone.order).not.toEqual(order)
})

it('the finest work that is allowed is still computed, and finer is refused at the field', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Hostile'))
  const { page } = await openCounted(planId)
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
  const { page } = await openCounted(planId)
  await zone(page, 'Back left')
  await fill(page, 'Subsection', '14')
  await pressOn(page, '[aria-label="Totals"] button[aria-label*="cautions"]')
  await pressOn(page, 'button[value="advice"]')
  await page.waitForSelector('[aria-label="Advice"] ::-p-text(lifts in patches)')
  await press(page, 'Part at 7 mm')
  await saved(page)
  expect(
    (await exported(planId)).variants[0]!.stages[0]!.zones.find(({ role }) => role === 'backLeft')!.placement
      .subsectionMm,
  ).toBe(7)
  await page.waitForSelector('[aria-label="Undo: Part at 7 mm"]')

  await page.goto(url(`/people/${clientId}`))
  await press(page, 'New plan')
  await pressOn(page, '::-p-named(combobox Start from)')
  await pressOn(page, '[role="option"]::-p-text(Proposed from the consultation)')
  await settled(page)
  await press(page, 'Start planning')
  await page.waitForSelector('::-p-text(There is no consultation to propose from yet)')
  await page.goto(url(`/people/${clientId}/consultation`))
  await page.waitForSelector('[aria-label^="Strand of"]')
  await pressOn(page, '[role="tab"]::-p-text(Wish & verdict)')
  await fill(page, 'How much of the hair is light', '35')
  await saved(page)
  await page.goto(url(`/people/${clientId}`))
  await press(page, 'New plan')
  await pressOn(page, '::-p-named(combobox Start from)')
  await pressOn(page, '[role="option"]::-p-text(Proposed from the consultation)')
  await settled(page)
  await press(page, 'Start planning')
  await totals(page)
  await pressOn(page, '[aria-label="Totals"] button[aria-label*="cautions"]')
  await pressOn(page, 'button[value="advice"]')
  await page.waitForSelector('::-p-text(Why this plan was proposed)')
})

it('another idea is made from one, changed, and both stand side by side with what differs', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Ideas'))
  const { page } = await openCounted(planId)
  const openIdeas = async () => {
    await press(page, 'More')
    await pressOn(page, '[role="menuitem"]::-p-text(Ideas side by side)')
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
  await page.waitForSelector('::-p-text(Back left: row gap 7 mm → 3 mm)')
  await saved(page)
  const { variants, activeVariantId } = await exported(planId)
  expect(variants.map(({ name }) => name)).toEqual(['First idea', 'Idea 2'])
  expect(activeVariantId).toBe(variants[1]!.id)
  const gaps = variants.map(
    ({ stages }) => stages[0]!.zones.find(({ role }) => role === 'backLeft')!.placement.rowGapMm,
  )
  expect(gaps).toEqual([7, 3])
  expect(new Set(variants.flatMap(({ stages }) => stages.flatMap(({ zones }) => zones.map(({ id }) => id)))).size).toBe(
    8,
  )
})

it('the map comes nearer by buttons, keys, wheel and fingers, fills the view with a zone, is moved, and shows the whole head again', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Nearer'), { template: 'topStrip' })
  const { page } = await openCounted(planId)
  const width = () => page.$eval('svg[aria-label^="Scalp map"]', (svg) => (svg as SVGSVGElement).viewBox.baseVal.width)
  const left = () => page.$eval('svg[aria-label^="Scalp map"]', (svg) => (svg as SVGSVGElement).viewBox.baseVal.x)
  const whole = await width()
  await zone(page, 'Left side')
  await page.keyboard.press('z')
  const near = await becomes(page, width, (now) => now < whole / 1.5)
  await press(page, 'Nearer')
  const nearer = await becomes(page, width, (now) => now < near)
  const box = (await (await page.waitForSelector('svg[aria-label^="Scalp map"]'))!.boundingBox())!
  const middle = [box.x + box.width / 2, box.y + box.height / 2] as const
  const before = await left()
  await page.mouse.move(...middle)
  await page.mouse.down()
  await page.mouse.move(middle[0] + 80, middle[1], { steps: 5 })
  await page.mouse.up()
  await becomes(page, left, (now) => now < before)
  // The drag moved the map and chose no other zone.
  await page.waitForSelector('section[aria-label="Zone 3, Left side"]')
  await page.mouse.wheel({ deltaY: -400 })
  await becomes(page, width, (now) => now < 0.99 * nearer)
  await page.keyboard.press('f')
  await becomes(page, width, (now) => Math.abs(now - whole) < 1e-6)
  const [one, two] = [
    await page.touchscreen.touchStart(middle[0] - 40, middle[1]),
    await page.touchscreen.touchStart(middle[0] + 40, middle[1]),
  ]
  await one.move(middle[0] - 120, middle[1])
  await two.move(middle[0] + 120, middle[1])
  await one.end()
  await two.end()
  await becomes(page, width, (now) => now < whole / 1.5)
})

it('several zones are set at once, and what one has is pasted on another head', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Several'), { template: 'topStrip' })
  const { page } = await openCounted(planId)
  await zone(page, 'Left side')
  await press(page, 'Several')
  await zone(page, 'Right side')
  await page.waitForSelector('::-p-text(and 1 more: Right side)')
  await fill(page, 'Row gap', '12')
  await page.waitForSelector('[aria-label="Undo: Row gap 7 → 12 mm, Left side and 1 more"]')
  await saved(page)
  const gaps = async (id: string) =>
    Object.fromEntries(
      (await exported(id)).variants[0]!.stages[0]!.zones.map(({ role, placement }) => [role, placement.rowGapMm]),
    )
  expect(await gaps(planId)).toEqual({ nape: 7, back: 7, leftSide: 12, rightSide: 12, top: 7 })
  await press(page, 'Copy all zones')
  const other = await newPlan(oriel, await newClient(oriel, 'Pasted'), { template: 'topStrip' })
  await page.goto(url(`/plans/${other}`))
  await totals(page)
  await zone(page, 'Nape')
  await press(page, 'Paste')
  await page.waitForSelector('::-p-text(All of Lighten pasted into 5 of 5 zones.)')
  await saved(page)
  expect(await gaps(other)).toEqual(await gaps(planId))
})

it('zones and rows are put in order by hand and by keys, and each step is said', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'In order'))
  const { page } = await openCounted(planId)
  const order = async () => {
    const { zones, order: ids } = (await exported(planId)).variants[0]!.stages[0]!
    return ids.map((id) => byId(zones, id).role)
  }
  const before = await order()
  const names = await page.$$eval('[aria-label="Order of application"] li', (items) =>
    items.map(({ textContent }) => textContent!.replace(/[\d–]/g, '')),
  )
  const grip = async (name: string) => (await page.waitForSelector(`[aria-label="Move ${name}"]`))!
  const [from, to] = await Promise.all(
    [names[0]!, names[2]!].map(async (name) => (await (await grip(name)).boundingBox())!),
  )
  await page.mouse.move(from!.x + 10, from!.y + 20)
  await page.mouse.down()
  await page.mouse.move(from!.x + 10, from!.y + 40, { steps: 3 })
  await page.mouse.move(to!.x + 10, to!.y + 26, { steps: 6 })
  await page.waitForSelector(`::-p-text(${names[0]} at 3 of ${names.length})`)
  await page.mouse.up()
  await page.waitForSelector(`[aria-label="Undo: ${names[0]} later"]`)
  await saved(page)
  const dragged = [before[1], before[2], before[0], ...before.slice(3)]
  expect(await order()).toEqual(dragged)

  await (await grip(names[0]!)).focus()
  await page.keyboard.press('Space')
  await page.waitForSelector(`::-p-text(${names[0]} taken, 3 of ${names.length})`)
  await listening(page)
  await page.keyboard.press('ArrowUp')
  await page.waitForSelector(`::-p-text(${names[0]} at 2 of ${names.length})`)
  await page.keyboard.press('Space')
  await page.waitForSelector(`[aria-label="Undo: ${names[0]} earlier"]`)
  await saved(page)
  expect(await order()).toEqual([before[1], before[0], before[2], ...before.slice(3)])

  // Rows: A, then B; B is taken with Space and put first. A plain Enter takes a bead out.
  await zone(page, names[1]!)
  await press(page, 'Add a row of formula B')
  await (await page.waitForSelector('[aria-label^="Row 2 of the rhythm"]'))!.focus()
  await page.keyboard.press('Space')
  await page.waitForSelector('::-p-text(row 2, formula B taken, 2 of 2)')
  await listening(page)
  await page.keyboard.press('ArrowLeft')
  await page.waitForSelector('::-p-text(row 2, formula B at 1 of 2)')
  await page.keyboard.press('Space')
  await page.waitForSelector('[aria-label="Row 1 of the rhythm: formula B. Take out"]')
  await saved(page)
  const { zones } = (await exported(planId)).variants[0]!.stages[0]!
  expect(zones.find(({ role }) => role === before[1])!.placement.sequence).toEqual(['B', 'A'])
  await (await page.waitForSelector('[aria-label="Row 1 of the rhythm: formula B. Take out"]'))!.focus()
  await page.keyboard.press('Enter')
  await page.waitForSelector('[aria-label="Row 1 of the rhythm: formula A. Take out"]')
})

it('a ramp is drawn over the map and worked into the zones under it; undone, nothing of it is left', async () => {
  const planId = await newPlan(oriel, await newClient(oriel, 'Ramp'), { template: 'topStrip' })
  const { page } = await openCounted(planId)
  const before = await exported(planId)
  await press(page, 'Ramp')
  await page.waitForSelector('[aria-label="A ramp to draw"]')
  const box = (await (await page.waitForSelector('svg[aria-label^="Scalp map"]'))!.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height * 0.92)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height * 0.6, { steps: 4 })
  await page.mouse.up()
  await page.waitForSelector('[aria-label^="Undo: Row gap ramp 12 → 4 mm"]')
  await saved(page)
  const back = (await exported(planId)).variants[0]!.stages[0]!.zones.find(({ role }) => role === 'back')!.placement
  expect(back.ramps).toEqual([{ figure: 'rowGapMm', way: 'upwards', to: expect.any(Number) as number }])
  expect(back.rowGapMm).toBeGreaterThan(back.ramps![0]!.to)
  await pressOn(page, 'button[aria-label^="Undo: Row gap ramp"]')
  await saved(page)
  expect((await exported(planId)).variants).toEqual(before.variants)
})

it('sections are kept as the salon’s own and laid out on another head, removed and brought back', async () => {
  const name = `Own ${Date.now()}`
  const planId = await newPlan(oriel, await newClient(oriel, 'Own sections'), { template: 'halo' })
  const { page } = await openCounted(planId)
  await press(page, 'Sections')
  await fill(page, 'Keep the sections on the map as', name)
  await press(page, 'Keep')
  await page.waitForSelector(`::-p-named(button Use ${name})`)
  const other = await newPlan(oriel, await newClient(oriel, 'Own sections used'))
  await page.goto(url(`/plans/${other}`))
  await totals(page)
  await press(page, 'Sections')
  await press(page, `Remove ${name}`)
  await pressOn(page, '[role="alert"] button::-p-text(Undo)')
  await press(page, `Use ${name}`)
  await page.waitForSelector(`[aria-label="Undo: ${name} layout"]`)
  await saved(page)
  const [kept, used] = [await exported(planId), await exported(other)].map(({ variants }) => variants[0]!.stages[0]!)
  expect(used!.layout).toEqual(kept!.layout)
  expect(used!.zones.map(({ role }) => role)).toEqual(kept!.zones.map(({ role }) => role))
})

it('more than five thousand foils are counted, said to be more than a day, and can still be worked on', async () => {
  const clientId = await newClient(oriel, 'Thousands')
  const document = planWith({
    placement: { subsectionMm: 2, rowGapMm: 0, dropout: { kind: 'lowlight', formulaId: 'B' } },
  })
  const { stages } = document.variants[0]!
  document.variants[0]!.stages = Array.from({ length: 8 }, (_, i) => {
    const stage = structuredClone(stages[0]!)
    const own = (id: string) => `${id}-${i}`
    return {
      ...stage,
      id: own(stage.id),
      name: `Layer ${i + 1}`,
      zones: stage.zones.map((one) => ({ ...one, id: own(one.id) })),
      order: stage.order.map(own),
    }
  })
  const { foils } = planFigures(document, computePlan(document))
  expect(foils).toBeGreaterThan(5000)
  const { body } = await oriel.call('POST', `/api/clients/${clientId}/imports`, document)
  const planId = String(body['id'])
  const { page } = await openCounted(planId)
  await totalsContain(page, `${foils} foils`)
  await pressOn(page, '[aria-label="Totals"] button[aria-label*="cautions"]')
  await page.waitForSelector('[role="dialog"] ::-p-text(more than anybody does in a day)')
  await page.keyboard.press('Escape')
  await zone(page, 'Back left')
  await fill(page, 'Row gap', '20')
  await saved(page)
  const after = await exported(planId)
  expect(after.variants[0]!.stages[0]!.zones.find(({ role }) => role === 'backLeft')!.placement.rowGapMm).toBe(20)
  await totalsContain(page, `${planFigures(after, computePlan(after)).foils} foils`)
})
