import type { Page } from 'puppeteer-core'
import { createStudio, SEED, takePicture } from '@/core/appearance/look'
import { VIEWS } from '@/core/appearance/picture'
import { FINE_STRANDS } from '@/core/appearance/strands'
import { createPlanner } from '@/core/plan/planner'
import { foldPlan } from '@/core/time/fold'
import { deviceOf, exported, servicePlanOf, type Device } from '../support/server'
import { clean } from './axe'
import { press, saved, totals, url, windows } from './browser'
import { pressOn } from './hand'

const { open } = windows()
let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

/** A plan page that shows the Look. */
async function looking(name: string, service: string) {
  const planId = await servicePlanOf(oriel, `${name} ${Date.now()}`, service)
  const page = await open(oriel)
  await page.goto(url(`/plans/${planId}`))
  await totals(page)
  await tab(page, 'Look')
  await ready(page)
  return { page, planId }
}

const tab = (page: Page, name: string) => pressOn(page, `::-p-named(tab ${name})`)
/** Waits for the fine picture and its figures. */
async function ready(page: Page): Promise<void> {
  await page.waitForSelector('[data-ready="true"]')
  await page.waitForSelector('[aria-label="Counted in the pictures"]')
}

/** Levels by which the hair at the face is lighter than the rest; 0 where they are alike. */
const faceFigure = (page: Page): Promise<number> =>
  page.$eval('[aria-label="Counted in the pictures"]', (list) => {
    const words = /Hair at the face([\d.]+) levels (lighter|deeper)/.exec(list.textContent ?? '')
    return words ? Number(words[1]) * (words[2] === 'lighter' ? 1 : -1) : 0
  })

/** Mean brightness of what hangs beside the face, 0…255. */
const brightnessBesideFace = (page: Page): Promise<number> =>
  page.$eval('[data-portrait="main"]', (canvas) => {
    const { width, height } = canvas as HTMLCanvasElement
    const { data } = (canvas as HTMLCanvasElement)
      .getContext('2d')!
      .getImageData(0.25 * width, 0.3 * height, 0.5 * width, 0.3 * height)
    let sum = 0
    for (let at = 0; at < data.length; at += 4) sum += data[at]! + data[at + 1]! + data[at + 2]!
    return sum / (0.75 * data.length)
  })

it('a face frame from none to bold shows in the figure and in the picture', async () => {
  const { page } = await looking('Face', 'hairlineAndPart')
  /** Gives both rims the formula of a key, 0 for none, and reads what is counted then; the Look is opened anew. */
  const withRims = async (key: '0' | '1', preset?: string) => {
    await tab(page, 'Map')
    for (const name of ['Rim left', 'Rim right']) {
      await pressOn(page, `[aria-label="Order of application"] ::-p-text(${name})`)
      const shape = await page.waitForSelector(`svg g[role="button"][aria-label*="${name}"]`)
      await shape!.evaluate((group) => (group as SVGGElement).focus())
      await page.keyboard.press(key)
      if (preset) await press(page, preset)
    }
    await saved(page)
    await tab(page, 'Look')
    await ready(page)
    return { figure: await faceFigure(page), brightness: await brightnessBesideFace(page) }
  }
  const none = await withRims('0')
  const bold = await withRims('1', 'Slice')
  expect(bold.figure).toBeGreaterThan(none.figure)
  expect(bold.brightness).toBeGreaterThan(none.brightness)
})

it('is the same picture to the byte here and in a browser', async () => {
  const { page, planId } = await looking('Bytes', 'fullBabylights')
  const plan = await exported(oriel, planId)
  const computed = createPlanner().computeStages(plan)
  const fold = foldPlan(plan, computed)
  const { picture } = takePicture(
    createStudio(),
    { plan, computed, fold },
    {
      wear: 'straight',
      count: FINE_STRANDS,
      seed: SEED,
      view: VIEWS.front,
      moment: { stages: fold.stages.length - 1, weeks: 0 },
      width: 480,
      height: 640,
      fine: true,
    },
  )
  const inBrowser = await page.$eval('[data-portrait="main"]', (canvas) => {
    const { width, height } = canvas as HTMLCanvasElement
    return [...(canvas as HTMLCanvasElement).getContext('2d')!.getImageData(0, 0, width, height).data].join()
  })
  expect(inBrowser === picture.rgba.join()).toBe(true)
})

it('a foil chosen in the look is chosen on the map, and one on the list in the look', async () => {
  const { page } = await looking('Choose', 'fullBabylights')
  const canvas = (await (await page.$('[data-portrait="main"]'))!.boundingBox())!
  await page.mouse.click(canvas.x + 0.5 * canvas.width + 20, canvas.y + 0.17 * canvas.height)
  await page.waitForSelector('[role="status"] ::-p-text(this one shows)')
  await tab(page, 'Map')
  await page.waitForSelector('path[data-chosen-piece]')
  await tab(page, 'Look')
  await ready(page)
  const listed = await page.waitForSelector('[aria-label="Foils that show least"] button')
  await listed!.click()
  await page.waitForSelector('[aria-label="Foils that show least"] button[aria-pressed="true"]')
})

it('turns by hand and keys, stands beside another, and is shown to the client without figures', async () => {
  const { page } = await looking('Beside', 'fullBabylights')
  await pressOn(page, '[role="img"][aria-label$="arrow keys turn it"]')
  await page.keyboard.press('ArrowLeft')
  await page.waitForSelector('button[aria-pressed="false"] ::-p-text(Front)')
  await press(page, 'Back')
  await ready(page)
  await pressOn(page, '::-p-named(combobox Beside it)')
  await pressOn(page, '::-p-named(option As she comes)')
  await page.waitForSelector('[data-portrait="beside"]')
  await page.waitForFunction(() => document.querySelectorAll('[data-ready="true"]').length === 2)
  await clean(page)
  await press(page, 'For the client')
  await page.waitForSelector('[role="dialog"] [data-portrait="main"]')
  expect(await page.$eval('[role="dialog"]', (dialog) => /\d/.test(dialog.textContent ?? ''))).toBe(false)
  await press(page, 'Close')
})

it('shows the head with its zones and foils, turned and walked by keys, and a foil pressed there is chosen on the map', async () => {
  const { page } = await looking('Head', 'fullBabylights')
  await tab(page, 'Head')
  await page.waitForSelector('[data-state="shown"]')
  await page.locator('[aria-label^="The head: arrow keys"]').click({ offset: { x: 5, y: 60 } })
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await page.waitForFunction(() => !document.body.textContent?.includes('Press a foil to choose it'))
  await clean(page)
  await pressOn(page, '[aria-label="From where"] ::-p-text(Top)')
  await page.waitForSelector('[aria-label="From where"] [aria-pressed="true"] ::-p-text(Top)')
  const drawn = '[data-state="shown"][aria-busy="false"]'
  // Babylights lie so close that somewhere along a line over the crown one is met.
  const box = (await (await page.waitForSelector(drawn))!.boundingBox())!
  for (let step = 0; step < 12; step++) {
    await page.mouse.click(box.x + 0.47 * box.width, box.y + (0.4 + 0.005 * step) * box.height)
    await page.waitForSelector(drawn)
  }
  await tab(page, 'Map')
  await page.waitForSelector('path[data-chosen-piece]')
})
