import { writeFileSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { ElementHandle, Page, Viewport } from 'puppeteer-core'
import sharp from 'sharp'
import { startingCanvas } from '@/core/hair/hairRecord'
import { startingGoal } from '@/core/judgement/feasibility'
import { createHead } from '@/core/scalp/head'
import type { Band, OpenCare, OpenConsultation } from '@/core/model'
import { MEDIUM_HAIR } from '../support/plan'
import { deviceOf, newClient, newPlan, type Device } from '../support/server'
import { clean, seriousOn } from './axe'
import { counted, fill, press, saved, settled, url, windows } from './browser'
import { pressOn } from './hand'
import { day } from '../support/days'

const { open } = windows()
let oriel: Device

beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

const words = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
const record = async (clientId: string) =>
  (await oriel.call('GET', `/api/clients/${clientId}/consultation`)).body as unknown as OpenConsultation

/** A client whose hair was glossed and recorded ten weeks ago: 2 cm of root, then lightened and glossed. */
async function glossedClient(name: string): Promise<string> {
  const clientId = await newClient(oriel, name)
  const hair = { ...MEDIUM_HAIR, washesPerWeek: 3 }
  const start = startingCanvas(createHead({ circumferenceCm: 54 }), hair, day(70))
  const plain = { porosity: 'normal', integrity: 'sound' } as const
  const bands: Band[] = [
    { ...plain, fromCm: 0, toCm: 2, level: 5, hue: 'neutral', strength: 0, treatments: [] },
    {
      ...plain,
      fromCm: 2,
      toCm: 35,
      level: 8,
      hue: 'ash',
      strength: 0.8,
      beneathLevel: 9,
      treatments: [{ kind: 'lightened' }, { kind: 'demi', on: day(70) }],
    },
  ]
  const canvas = { ...start, strands: start.strands.map((strand) => ({ ...strand, bands })) }
  const answer = await oriel.call('PUT', `/api/clients/${clientId}/consultation`, {
    recordedOn: day(70),
    hair,
    canvas,
    goal: startingGoal(hair),
    trimmedCm: 0,
  })
  expect(answer.status).toBe(200)
  return clientId
}

/** Opens the consultation and counts what hands do from then on. */
async function consult(clientId: string, size?: Viewport): Promise<{ page: Page; inputs: () => Promise<number> }> {
  const page = await open(oriel, size)
  await page.goto(url(`/people/${clientId}/consultation`))
  await page.waitForSelector('[aria-label^="Strand of"]')
  return { page, inputs: await counted(page) }
}

const bandsShown = (page: Page) =>
  page.$$eval('[aria-label^="Strand of"] [role="button"]', (bands) =>
    bands.map((band) => band.getAttribute('aria-label') ?? ''),
  )
const middleOf = async (element: ElementHandle<Element>) => {
  const box = (await element.boundingBox())!
  return { x: box.x + box.width / 2, y: box.y + box.height / 2, ...{ width: box.width, height: box.height } }
}

it('ten weeks after a record: roots grown and gloss faded without typing, and one press keeps it', async () => {
  const clientId = await glossedClient('Ten weeks')
  const { page, inputs } = await consult(clientId)
  const [root, length] = await bandsShown(page)
  // 2 cm and ten weeks at 1.25 cm a month: 4.9 cm; 30 washes take an ash gloss back to the warm level 9 beneath (see
  // C8-C13).
  expect(root).toContain('0 to 4.9 cm, level 5, neutral, virgin')
  expect(length).toMatch(/4\.9 to 37\.9 cm, level 8\.[57]5?, gold, lightened, then demi/)
  await page.waitForSelector(`::-p-text(from ${words(day(70))})`)
  expect((await record(clientId)).latest!.recordedOn).toBe(day(70))
  await press(page, 'It is as predicted')
  await saved(page)
  expect(await inputs()).toBe(1)
  expect((await record(clientId)).latest).toMatchObject({ number: 2, recordedOn: day(0), corrections: [] })
})

it('a band is corrected with at most six presses of the keyboard', async () => {
  const clientId = await glossedClient('By keyboard')
  const { page, inputs } = await consult(clientId)
  await page.keyboard.press('2')
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown')
  await saved(page)
  expect(await inputs()).toBeLessThanOrEqual(6)
  const { latest } = await record(clientId)
  expect(latest!.corrections).toContainEqual(expect.objectContaining({ region: 'back', what: '1.level' }))
  const [, length] = latest!.canvas.strands[0]!.bands
  expect(length!.level).toBe(Number((await bandsShown(page))[1]!.match(/level ([\d.]+)/)![1]))

  await page.keyboard.down('Control')
  await page.keyboard.press('z')
  await page.keyboard.up('Control')
  await saved(page)
  await page.waitForFunction(() => document.body.textContent?.includes('As predicted'))
})

it('a band is corrected with at most six touches: its edge dragged, its level stepped', async () => {
  const clientId = await glossedClient('By touch')
  const { page, inputs } = await consult(clientId, { width: 820, height: 1180, hasTouch: true, isMobile: true })
  const grip = (await page.waitForSelector('[role="slider"][aria-label="End of band 1"]'))!
  const { x, y } = await middleOf(grip)
  const touch = await page.touchscreen.touchStart(x, y)
  for (let step = 1; step <= 8; step++) await touch.move(x + 5 * step, y)
  await touch.end()
  // Saying what was corrected moves the strand down a little.
  await page.waitForSelector('::-p-text(corrections kept)')
  const second = (await page.$('[aria-label^="Band 2 of 2"]'))!
  const middle = await middleOf(second)
  await page.touchscreen.tap(middle.x, middle.y)
  await page.waitForSelector('section[aria-label="Band 2"]')
  const more = (await page.waitForSelector('[aria-label="Level as seen: more"]'))!
  const target = await middleOf(more)
  expect(Math.min(target.width, target.height)).toBeGreaterThanOrEqual(44)
  await more.tap()
  await saved(page)
  expect(await inputs()).toBeLessThanOrEqual(6)
  const { latest } = await record(clientId)
  const what = latest!.corrections.filter(({ region }) => region === 'back').map((correction) => correction.what)
  expect(what).toEqual(['0.toCm', '1.level'])
  expect(latest!.canvas.strands[0]!.bands[0]!.toCm).toBeGreaterThan(5.5)
})

it('a first record: split the strand, say what was done, copy it to a region, cut the ends, paint white, make a wish', async () => {
  const clientId = await newClient(oriel, 'First record')
  const { page } = await consult(clientId)
  await page.waitForSelector('::-p-text(First record.)')
  await press(page, 'Split')
  await page.keyboard.press('2')
  await press(page, 'Box dye')
  await fill(page, 'Level as seen', '3')
  await page.waitForSelector('::-p-text(box dye)')
  await pressOn(page, 'section[aria-label="The head"] ::-p-text(Nape)')
  await page.waitForSelector('::-p-text(white on the whole head)')
  await pressOn(page, 'section[aria-label="The head"] svg')
  await saved(page)
  const { latest } = await record(clientId)
  expect(latest!.canvas.strands[0]!.bands).toMatchObject([
    { treatments: [] },
    { level: 3, treatments: [{ kind: 'boxDye' }] },
  ])
  expect(latest!.canvas.cells.some(({ populations }) => populations[0]!.white === 0.5)).toBe(true)

  await pressOn(page, '[role="tab"]::-p-text(Wish & verdict)')
  await fill(page, 'Whole head: level', '8')
  await page.waitForSelector('[aria-label="Verdict"] ::-p-text(several visits)')
  await pressOn(page, '[aria-label="Verdict"] button::-p-text(Figures)')
  await page.waitForSelector('[aria-label="Verdict"] ::-p-text(Speed against virgin hair)')
  await press(page, 'deposit only')
  await page.waitForSelector('::-p-text(Deposit alone never lightens)')
  await saved(page)
  expect((await record(clientId)).latest!.goal).toMatchObject({ means: 'depositOnly', targets: [{ level: 8 }] })
})

it('says at the field what is wrong, and keeps what was entered through a lost connection and a reload', async () => {
  const clientId = await glossedClient('Offline')
  const { page } = await consult(clientId)
  await fill(page, 'Level as seen', '14')
  await page.waitForSelector('::-p-text(Enter a number from 1 to 12 level.)')
  await fill(page, 'Level as seen', '6')
  await saved(page)
  await page.setOfflineMode(true)
  await fill(page, 'Level as seen', '7')
  await page.waitForSelector('[data-save="offline"]')
  await page.setOfflineMode(false)
  await page.reload()
  await page.waitForSelector('[aria-label^="Strand of"]')
  await saved(page)
  expect((await bandsShown(page))[0]).toContain('level 7')
  expect((await record(clientId)).latest!.canvas.strands[0]!.bands[0]!.level).toBe(7)
})

it('two people at one record: the later save is offered a choice and nothing is overwritten unasked', async () => {
  const clientId = await glossedClient('Two people')
  const one = await consult(clientId)
  const two = await consult(clientId)
  await fill(one.page, 'Level as seen', '6')
  await saved(one.page)
  await fill(two.page, 'Level as seen', '4')
  await two.page.waitForSelector('[data-save="stale"]')
  expect((await record(clientId)).latest!.canvas.strands[0]!.bands[0]!.level).toBe(6)
  await press(two.page, 'Keep mine')
  await saved(two.page)
  expect((await record(clientId)).latest!.canvas.strands[0]!.bands[0]!.level).toBe(4)
})

it('care: a check is recorded, a signature drawn, and both stand in the log', async () => {
  const clientId = await newClient(oriel, 'Care')
  const page = await open(oriel)
  await page.goto(url(`/people/${clientId}/care`))
  await press(page, 'Record: Scalp')
  await press(page, 'Nothing found')
  await fill(page, 'Note', 'calm all over')
  await press(page, 'Record')
  await page.waitForSelector('::-p-text(Scalp: current)')
  const field = (await page.waitForSelector('[aria-label="Field to sign in"]'))!
  await field.scrollIntoView()
  const box = (await field.boundingBox())!
  await page.mouse.move(box.x + 40, box.y + 60)
  await page.mouse.down()
  for (let i = 1; i <= 10; i++) await page.mouse.move(box.x + 40 + 14 * i, box.y + 60 + (i % 2 ? 18 : -18))
  await page.mouse.up()
  await press(page, 'Care agrees')
  await page.waitForSelector('::-p-text(Consent signed, text 2026-11)')
  const care = (await oriel.call('GET', `/api/clients/${clientId}/care`)).body as unknown as OpenCare
  expect(care.checks).toMatchObject([{ kind: 'scalp', result: 'clear', note: 'calm all over', by: 'Oriel Castellane' }])
  expect(care.consents[0]!.strokes[0]!.length).toBeGreaterThan(16)
  await press(page, 'Type the name instead')
  await fill(page, 'The client’s own name, typed', 'Care Test')
  expect(await page.$eval('::-p-named(button Care agrees)', (button) => (button as HTMLButtonElement).disabled)).toBe(
    true,
  )
  await pressOn(page, 'input[type="checkbox"]')
  await clean(page)
  await press(page, 'Care agrees')
  await page.waitForSelector('::-p-text(Agreed, name typed)')
  const again = (await oriel.call('GET', `/api/clients/${clientId}/care`)).body as unknown as OpenCare
  expect(again.consents[1]).toMatchObject({ strokes: [], typedName: 'Care Test', by: 'Oriel Castellane' })
})

it('pictures: one is sent, shown large, removed and brought back; others are refused with what to do', async () => {
  const clientId = await newClient(oriel, 'Pictures')
  const folder = mkdtempSync(join(tmpdir(), 'falto-pictures-'))
  writeFileSync(
    join(folder, 'daylight.jpg'),
    await sharp({ create: { width: 800, height: 600, channels: 3, background: '#9a7b58' } })
      .jpeg()
      .toBuffer(),
  )
  writeFileSync(join(folder, 'words.jpg'), 'not a picture')
  writeFileSync(join(folder, 'drawing.svg'), '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')
  const page = await open(oriel)
  await page.goto(url(`/people/${clientId}/pictures`))
  await page.waitForSelector('::-p-text(No pictures yet.)')
  const input = (await page.waitForSelector('input[type="file"]')) as ElementHandle<HTMLInputElement>
  await input.uploadFile(join(folder, 'daylight.jpg'), join(folder, 'words.jpg'), join(folder, 'drawing.svg'))
  await page.waitForSelector('::-p-text(drawing.svg is not a JPEG, PNG or WebP picture)')
  await page.waitForSelector('::-p-text(words.jpg: This file is not a JPEG, PNG or WebP picture)')
  await press(page, 'Show daylight.jpg large')
  await page.waitForSelector('::-p-text(800 × 600)')
  await press(page, 'Remove')
  await press(page, 'Undo')
  await page.waitForSelector('[aria-label="Pictures"] img')
  await page.waitForFunction(
    () => document.querySelector<HTMLImageElement>('[aria-label="Pictures"] img')!.naturalWidth > 0,
  )
})

it('a plan is carried out, and its foils lie under the next one', async () => {
  const clientId = await newClient(oriel, 'Carried out')
  await newPlan(oriel, clientId)
  const page = await open(oriel)
  await page.goto(url(`/people/${clientId}`))
  await press(page, 'Test plan was carried out')
  await press(page, 'Record as carried out')
  await page.waitForSelector('::-p-text(plan carried out, Oriel Castellane)')
  await page.goto(url(`/people/${clientId}/consultation`))
  await page.waitForSelector('::-p-text(Kinds of hair here)')
  await pressOn(page, 'button[value="earlier"]')
  await page.waitForSelector('[aria-label^="Foils of"]')
  await page.goto(url(`/plans/${await newPlan(oriel, clientId)}`))
  await press(page, 'More')
  await pressOn(page, '::-p-text(Show under it the foils of)')
  await page.waitForSelector('svg path[stroke-dasharray="0.18 0.12"]')
})

it('after a year of highlights the commonest kinds of hair are told, the rarer ones when asked for, and all is kept', async () => {
  const clientId = await newClient(oriel, 'A year of highlights')
  for (const weeks of [40, 32, 24, 16, 8]) {
    const told = { on: day(7 * weeks), service: 'foilRetouch', name: 'Retouch', formulas: [], change: '' }
    expect((await oriel.call('POST', `/api/clients/${clientId}/visits`, told)).status).toBe(200)
  }
  const page = await open(oriel)
  await page.goto(url(`/people/${clientId}/consultation`))
  await page.waitForSelector('[aria-label^="Strand of"]')
  const kinds = () => page.$$eval('button[value^="strand"]', (all) => all.map(({ textContent }) => textContent!))
  const common = await kinds()
  expect(common).toHaveLength(8)
  expect(new Set(common).size).toBe(8)
  await pressOn(page, 'button::-p-text(rarer kind)')
  await page.waitForFunction(() => !/rarer kind/.test(document.body.innerText))
  expect((await kinds()).slice(0, 8)).toEqual(common)
  expect((await kinds()).length).toBeGreaterThan(8)
  await press(page, 'It is as predicted')
  await saved(page)
  expect((await record(clientId)).latest).toMatchObject({ kind: 'seen', number: 6 })
})

it('has no serious accessibility issue on any screen of the record', async () => {
  const clientId = await glossedClient('Axe record')
  const page = await open(oriel)
  const check = async (screen: string) => {
    await settled(page)
    expect([screen, ...(await seriousOn(page))]).toEqual([screen])
  }
  await page.goto(url(`/people/${clientId}/consultation`))
  await page.waitForSelector('[aria-label^="Strand of"]')
  await check('hair')
  await pressOn(page, 'button[value="regions"]')
  await check('hair, lengths')
  for (const [tab, landmark] of [
    ['Fibre & scalp', 'Length as worn'],
    ['Wish & verdict', 'Visit by visit'],
  ] as const) {
    await pressOn(page, `[role="tab"]::-p-text(${tab})`)
    await page.waitForSelector(`::-p-text(${landmark})`)
    await check(tab)
  }
  await page.goto(url(`/people/${clientId}/care`))
  await page.waitForSelector('::-p-text(Consent)')
  await check('care')
  await press(page, 'Record: Strand test')
  await page.waitForSelector('::-p-text(With which product)')
  await check('care, recording')
  await page.goto(url(`/people/${clientId}/pictures`))
  await page.waitForSelector('::-p-text(No pictures yet.)')
  await check('pictures')
})
