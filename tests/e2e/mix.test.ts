import { writeFileSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { planFigures } from '@/core/plan/planner'
import { byId, type FaltoPlan, type MixRecord, type ShelfItem } from '@/core/model'
import { DEMO_CATALOGUE } from '@/demo'
import { csvOfCatalogue } from '@/server/shelf'
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
const text = (page: Page, selector: string) => page.$eval(selector, (element) => element.textContent ?? '')

async function mixPage(id: string, device = oriel, size?: { width: number; height: number }): Promise<Page> {
  const page = await open(device, size)
  await page.goto(url(`/plans/${id}/mix`))
  await page.waitForSelector('[aria-label="Bowls"]')
  return page
}

describe('mixing', () => {
  it('suggests shades, takes one in, and can be undone; what is shown is what the core computed', async () => {
    const id = await planOf('Suggested', 'shadowAndMelt')
    const plan = await documentOf(id)
    const gloss = plan.formulas.find(({ productId }) => productId === 'lull')!.id
    const page = await mixPage(id)
    await clean(page)
    await pressOn(page, `nav[aria-label="Formulas"] button [aria-label="Formula ${gloss}"]`)
    await press(page, 'Suggest shades')
    await page.waitForSelector('[aria-label="Suggestion 2"]')
    await clean(page)
    await pressOn(page, '[aria-label="Suggestion 1"] button')
    await page.waitForSelector(`section[aria-label="Formula ${gloss}"] [role="group"]`)
    await saved(page)
    const chosen = byId((await documentOf(id)).formulas, gloss)
    expect(chosen.shades!.length).toBeGreaterThan(0)
    const kept = await documentOf(id)
    const { bowls } = planFigures(kept, computePlan(kept)).mix.find(({ formulaId }) => formulaId === gloss)!
    await page.waitForFunction(
      (wanted) => document.querySelector('[aria-label="Bowl 1"]')?.textContent?.includes(wanted),
      {},
      `${bowls[0]!.parts[0]!.grams.toFixed(1)} g`,
    )
    await press(page, 'Undo: Formula ' + gloss + ': suggested shades')
    await page.waitForFunction(
      (letter) =>
        document.querySelector(`section[aria-label="Formula ${letter}"]`)?.textContent?.includes('no shade chosen yet'),
      {},
      gloss,
    )
  })

  it('divides into more, fresher bowls, and half of them, and says what that costs', async () => {
    const id = await planOf('Fresh', 'fullBabylights')
    const page = await mixPage(id)
    const before = (await page.$$('[aria-label^="Bowl "]')).length
    await pressOn(page, `button[aria-label="Mix in ${before + 1} bowls"]`)
    await page.waitForFunction(
      (count) => document.querySelectorAll('[aria-label^="Bowl "]').length === count,
      {},
      before + 1,
    )
    const whole = Number(/· ([\d.]+) g/.exec(await text(page, '[aria-label="Bowl 1"]'))![1])
    await pressOn(page, 'button::-p-text(half)')
    await page.waitForFunction(
      (grams) =>
        Math.abs(
          Number(/· ([\d.]+) g/.exec(document.querySelector('[aria-label="Bowl 1"]')!.textContent!)![1]) - grams / 2,
        ) < 0.11,
      {},
      whole,
    )
    await saved(page)
    expect((await documentOf(id)).formulas[0]!.bowls).toBe(before + 1)
  })

  it('opens the money: quote, bill from what was used, and prices that only the owner may set', async () => {
    const id = await planOf('Money', 'fullBabylights')
    const page = await mixPage(id)
    await press(page, 'Open the money')
    await page.waitForSelector('.recharts-surface')
    await clean(page)
    expect(await text(page, '[role="dialog"]')).toMatch(/To pay€[\d.]+€[\d.]+€[\d.]+/)
    await pressOn(page, '[role="tab"]::-p-text(Bill after)')
    const net = async () => /Net€([\d.]+)/.exec(await text(page, '[role="dialog"]'))![1]
    const before = Number(await net())
    await pressOn(page, 'button[aria-label="Hands-on time: more"]')
    await page.waitForFunction(
      (was) => Number(/Net€([\d.]+)/.exec(document.querySelector('[role="dialog"]')!.textContent!)![1]) > was,
      {},
      before,
    )
    const assistant = await mixPage(id, tove)
    await press(assistant, 'Open the money')
    await pressOn(assistant, '[role="tab"]::-p-text(Prices)')
    await assistant.waitForSelector('::-p-text(Prices are the owner’s to change.)')
  })
})

describe('weighing', () => {
  const meter = '[role="meter"]'
  const pouredSoFar = (page: Page) => page.$eval(meter, (element) => Number(element.getAttribute('aria-valuenow')))
  const take = async (page: Page) => {
    await page.waitForSelector('[role="dialog"] button::-p-text(Take ):not([disabled])')
    const button = await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLButtonElement>('[role="dialog"] button')].find(
        ({ textContent, disabled }) => /^Take \d/.test(textContent ?? '') && !disabled,
      ),
    )
    await (button.asElement() as Awaited<ReturnType<Page['$']>>)!.click()
  }

  it('follows the scale, keeps everything when it falls silent or the page is loaded again, and counts the shelf down', async () => {
    const id = await planOf('Weighed', 'fullBabylights')
    const marl = async () =>
      ((await oriel.call('GET', '/api/shelf')).body['items'] as ShelfItem[]).find(({ item }) => item.id === 'marl')!
        .grams
    const before = await marl()
    await tove.call('POST', '/api/scale', { command: 'plug' })
    const page = await mixPage(id, tove, { width: 1024, height: 768 })
    await press(page, 'Weigh bowl 1')
    await page.waitForSelector('::-p-text(scale: simulated)')
    await clean(page)
    const target = await page.$eval(meter, (element) => Number(element.getAttribute('aria-valuemax')))
    await press(page, 'Pour what is asked')
    await take(page)
    // The line is in, or lacks a few tenths more that a hand types.
    await page.waitForFunction(
      (selector, first) =>
        document.querySelector(selector)?.getAttribute('aria-label') !== first ||
        Number(document.querySelector(selector)!.getAttribute('aria-valuenow')) > 1,
      {},
      meter,
      '',
    )
    await press(page, 'Pull the plug')
    await page.waitForSelector('::-p-text(scale: silent)')
    await page.reload()
    await page.waitForSelector('[aria-label="Bowls"]')
    await press(page, 'Weigh bowl 1')
    await page.waitForSelector('[role="dialog"] table')
    const inBowl = Number(
      /: ([\d.]+) g in the bowl/.exec(
        (await page.$eval('[role="dialog"] table button', (button) => button.getAttribute('aria-label')))!,
      )![1],
    )
    expect(inBowl).toBeGreaterThan(target - 2)
    await press(page, 'Plug it in again')
    await page.waitForSelector('::-p-text(scale: simulated)')
    for (let line = 0; line < 4 && !(await page.$('::-p-text(Everything is in)')); line++) {
      const was = await text(page, '[role="dialog"] [role="status"]')
      await page.locator('::-p-named(textbox Or type what went in, g)').fill(/^[\d.]+/.exec(was)![0])
      await page.keyboard.press('Enter')
      await page.waitForFunction(
        (words) => document.querySelector('[role="dialog"] [role="status"]')?.textContent !== words,
        {},
        was,
      )
    }
    await pressOn(page, '[role="dialog"] button::-p-text(Mixed)')
    await page.waitForSelector('::-p-text(the shelf is counted down)')
    const [record] = (await oriel.call('GET', `/api/plans/${id}/mixes`)).body['mixes'] as MixRecord[]
    expect(record!.state).toBe('done')
    expect(record!.events.some(({ kind }) => kind === 'lost')).toBe(true)
    const used = record!.events
      .filter(({ kind, line }) => kind === 'poured' && line === 0)
      .reduce((sum, { grams }) => sum + grams, 0)
    expect(await marl()).toBeCloseTo(before - used, 5)
    expect(used).toBeGreaterThan(target - 2)
  })

  it('keeps the ratio after an overshoot, works without the network, and sends it when that is back', async () => {
    const id = await planOf('Overshoot', 'fullBabylights')
    const page = await mixPage(id)
    // Smaller bowls, so that there is room to grow.
    await (await page.$$('button[aria-label^="Mix in"]')).at(-1)!.click()
    await saved(page)
    await press(page, 'Weigh bowl 1')
    await page.waitForSelector(meter)
    await page.setOfflineMode(true)
    const target = await page.$eval(meter, (element) => Number(element.getAttribute('aria-valuemax')))
    const field = page.locator('::-p-named(textbox Or type what went in, g)')
    await field.fill((target * 1.1).toFixed(1))
    await page.keyboard.press('Enter')
    await page.waitForSelector('::-p-text(so the ratio stays)')
    await page.waitForSelector('::-p-text(cannot be reached)')
    // The next line begins anew, but for the noise of the scale.
    expect(await pouredSoFar(page)).toBeLessThan(1)
    await page.setOfflineMode(false)
    await field.fill('1')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => !document.body.textContent!.includes('cannot be reached'))
    // The first pour may be sent before the second is typed, so both are waited for where they are kept.
    await page.waitForFunction(
      async (path) =>
        ((await (await fetch(path)).json()) as { mixes: MixRecord[] }).mixes[0]!.events.filter(
          ({ kind }) => kind === 'poured',
        ).length >= 2,
      { polling: 100 },
      `/api/plans/${id}/mixes`,
    )
    const [record] = (await oriel.call('GET', `/api/plans/${id}/mixes`)).body['mixes'] as MixRecord[]
    expect(record!.events.filter(({ kind }) => kind === 'poured').map(({ grams }) => grams)).toEqual([
      Number((target * 1.1).toFixed(1)),
      1,
    ])
  })
})

describe('the shelf', () => {
  it('is searched, edited, counted; a file is shown before it is taken over, and a broken row names line and column', async () => {
    const page = await open(oriel)
    await page.goto(url('/shelf'))
    await page.waitForSelector('[role="grid"]')
    await clean(page)
    const search = async (words: string) => {
      const field = await page.waitForSelector('input[type="search"]')
      await field!.click({ clickCount: 3 })
      await field!.type(words)
    }
    await search('lull clear')
    await page.waitForFunction(() => document.querySelectorAll('.MuiDataGrid-row').length === 1)
    await press(page, 'Stock of Lull Clear')
    await page.locator('::-p-named(textbox Lot)').fill('E2E-1')
    await press(page, 'Take in')
    await page.waitForSelector('::-p-text(came in)')
    // A name of its own for every run.
    const mark = String(Date.now())
    const folder = mkdtempSync(join(tmpdir(), 'falto-csv-'))
    const shade = byId(DEMO_CATALOGUE, 'lull-8-beige')
    const rows = csvOfCatalogue(
      Array.from({ length: 3 }, (_, i) => ({ ...shade, id: `e2e-${mark}-${i}`, name: `Driftwood ${mark} ${i}` })),
    )
    writeFileSync(
      join(folder, 'bad.csv'),
      rows.replace(`Driftwood ${mark} 1,gloss,8,beige`, `Driftwood ${mark} 1,gloss,eight,beige`),
    )
    writeFileSync(join(folder, 'good.csv'), rows)
    await press(page, 'Import CSV')
    const choose = async (name: string) =>
      (await page.waitForSelector('input[type="file"]'))!.uploadFile(join(folder, name))
    await choose('bad.csv')
    await page.waitForSelector('::-p-text(Nothing was taken over)')
    expect(await text(page, '[role="dialog"] tbody')).toBe('3level"eight" is not a number')
    await choose('good.csv')
    await page.waitForSelector('::-p-text(3 new, 0 changed)')
    await press(page, 'Take 3 over')
    await page.waitForSelector('::-p-text(3 products taken over)')
    await search(`Driftwood ${mark} 2`)
    await page.waitForFunction(() => document.querySelectorAll('.MuiDataGrid-row').length === 1)
    await press(page, `Driftwood ${mark} 2`)
    await page.waitForSelector('::-p-text(Order when less is left)')
    await clean(page)
    await press(page, 'Remove')
    await page.waitForSelector('::-p-text(is off the catalogue)')
    await press(page, 'Undo')
    await page.waitForSelector('::-p-text(is back)')
  })
})
