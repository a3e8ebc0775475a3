import type { Page } from 'puppeteer-core'
import { clockFigures } from '@/core/plan/planner'
import { ALONE } from '@/core/time/schedule'
import { byId, type FaltoPlan } from '@/core/model'
import { deviceOf, servicePlanOf, type Device } from '../support/server'
import { clean } from './axe'
import { press, saved, url, windows } from './browser'
import { pressOn } from './hand'
import { computePlan } from '../support/planner'

const { open } = windows()
let oriel: Device
let tove: Device
beforeAll(async () => {
  ;[oriel, tove] = (await Promise.all(['oriel', 'tove'].map(deviceOf))) as [Device, Device]
})

const planOf = (name: string, service: string) => servicePlanOf(oriel, name, service)
const documentOf = async (id: string) => (await oriel.call('GET', `/api/plans/${id}`)).body['document'] as FaltoPlan

async function clockPage(id: string, device = oriel, size?: { width: number; height: number }): Promise<Page> {
  const page = await open(device, size)
  await page.goto(url(`/plans/${id}/clock`))
  await settled(page)
  return page
}
/** Everything asked for, the comparisons too, has been worked out. */
const settled = async (page: Page) => {
  await page.waitForSelector('[aria-label="Compared"][aria-busy="false"]')
}
const text = (page: Page, selector: string) => page.$eval(selector, (element) => element.textContent ?? '')
const doneAt = (page: Page) =>
  page
    .$$eval(
      'p',
      (lines) =>
        /Done at (\d\d):(\d\d)/
          .exec(lines.map(({ textContent }) => textContent).join(' '))!
          .slice(1)
          .map(Number) as [number, number],
    )
    .then(([hours, minutes]) => 60 * hours + minutes)

describe('the clock', () => {
  it('says what the core works out, compares ways, and is sooner done with a second colourist', async () => {
    const id = await planOf('Timed', 'fullBabylights')
    const plan = await documentOf(id)
    const page = await clockPage(id)
    await clean(page)
    const { minutes } = clockFigures(plan, computePlan(plan), { crew: ALONE })
    const alone = await doneAt(page)
    expect(alone).toBe(600 + Math.round(minutes.expected))
    expect(await text(page, '[aria-label="Compared"]')).toContain('With a second colourist')
    await press(page, 'Second colourist')
    await page.waitForFunction(() =>
      document.querySelector('[aria-label="Who does what when"]')?.textContent?.includes('Second colourist'),
    )
    await settled(page)
    expect(await doneAt(page)).toBeLessThan(alone - 15)
  })

  it('moves a zone in the order, and that can be undone', async () => {
    const id = await planOf('Reordered', 'topAndSides')
    const before = (await documentOf(id)).variants[0]!.stages[0]!.order
    const page = await clockPage(id)
    await press(page, 'Later')
    await saved(page)
    const moved = (await documentOf(id)).variants[0]!.stages[0]!.order
    expect(moved).toEqual([before[1], before[0], ...before.slice(2)])
    await pressOn(page, 'button[aria-label^="Undo"]')
    await page.waitForFunction(() => document.querySelector('button[aria-label^="Redo:"]') !== null)
    await saved(page)
    expect((await documentOf(id)).variants[0]!.stages[0]!.order).toEqual(before)
  })

  it('moves a zone where its lane is dragged to, and takes the way that was chosen to the chair', async () => {
    const id = await planOf('Dragged', 'topAndSides')
    const { id: stageId, order, zones } = (await documentOf(id)).variants[0]!.stages[0]!
    const working = order.filter((zoneId) => byId(zones, zoneId).placement.sequence.length > 0)
    const page = await clockPage(id)
    const names = await page.$$('button[aria-label*=", formula"]')
    const box = (await names[0]!.boundingBox())!
    await page.mouse.move(box.x + 20, box.y + 20)
    await page.mouse.down()
    await page.mouse.move(box.x + 20, box.y + 60, { steps: 4 })
    await page.mouse.move(box.x + 20, box.y + 102, { steps: 4 })
    await page.waitForSelector(`::-p-text(at 3 of ${names.length})`)
    await page.mouse.up()
    await saved(page)
    const after = (await documentOf(id)).variants[0]!.stages[0]!.order
    expect(after.indexOf(working[0]!)).toBeGreaterThan(after.indexOf(working[2]!))
    await settled(page)
    await press(page, 'The other way')
    await settled(page)
    await press(page, 'Begin at the chair')
    // Nobody has looked at the cautions yet: each is ticked before the visit begins.
    await page.waitForSelector('[role="dialog"] ::-p-text(Before this visit begins)')
    await clean(page)
    for (const box of await page.$$('[role="dialog"] input[type="checkbox"]')) await box.click()
    await press(page, 'I have looked at these: begin')
    await page.waitForSelector('[aria-label="Next step"]')
    const run = (await oriel.call('GET', `/api/runs/${page.url().split('/').at(-1)!}`)).body as unknown as {
      script: { steps: { kind: string; id: string }[] }
    }
    const put = run.script.steps
      .filter((step) => step.id.startsWith(`apply/${stageId}/`))
      .map((step) => step.id.split('/')[2])
    expect(put).toEqual(after.filter((zoneId) => working.includes(zoneId)).reverse())
  })

  it('reads what is done where a lane is pressed, lists all steps, and draws the lift of the zone that is chosen', async () => {
    const page = await clockPage(await planOf('Pressed', 'topAndSides'))
    const lane = await page.waitForSelector('[aria-label="Who does what when"] [data-track]')
    await lane!.click()
    await page.waitForFunction(() =>
      /\d\d:\d\d–\d\d:\d\d, /.test(
        document.querySelector('[aria-label="Who does what when"] [role="status"]')?.textContent ?? '',
      ),
    )
    await pressOn(page, 'summary')
    expect(
      await page.$$eval('[aria-label="Steps"] li', (steps) => steps.map(({ textContent }) => textContent).join('|')),
    ).toMatch(/Set up.*Put in.*Take out.*Rinse.*Dry and style/)
    await pressOn(page, 'button[aria-label^="Right side, formula"]')
    await page.waitForSelector('.recharts-surface')
    await clean(page)
  })

  it('lets an assistant look on a phone, without changing the order', async () => {
    const page = await clockPage(await planOf('Looked at', 'topAndSides'), tove, { width: 390, height: 844 })
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    expect(
      await page.$$eval(
        'button',
        (buttons) => buttons.filter(({ textContent }) => textContent === 'Later' || textContent === 'Earlier').length,
      ),
    ).toBe(0)
  })
})
