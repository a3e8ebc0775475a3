import type { Page } from 'puppeteer-core'
import type { FaltoPlan } from '@/core/model'
import { deviceOf, exported, newClient, type Device } from '../support/server'
import { clean } from './axe'
import { saved, settled, totals, url, windows } from './browser'
import { pressOn } from './hand'

/** Visits of several stages planned from nothing, each in at most eighty presses and keys. */
const MOST_INPUTS = 80
const { open } = windows()
let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

/** A hand that counts what it does. */
function handOn(page: Page) {
  let inputs = 0
  const press = async (selector: string) => {
    inputs++
    await pressOn(page, selector)
  }
  return {
    count: () => inputs,
    press: (name: string) => press(`::-p-named(button ${name})`),
    text: (words: string) => press(`::-p-text(${words})`),
    option: (words: string) => press(`[role="listbox"] ::-p-text(${words})`),
    list: (label: string) => press(`::-p-named(combobox ${label})`),
    zone: (name: string) => press(`[aria-label="Order of application"] ::-p-text(${name})`),
  }
}

/** A plan page begun from an empty layout, or with a kind of service out of the list of new plans. */
async function begun(name: string, kind?: string) {
  const page = await open(oriel)
  const clientId = await newClient(oriel, `${name} ${Date.now()}`)
  await page.goto(url(`/people/${clientId}`))
  const hand = handOn(page)
  await hand.press('New plan')
  if (kind) {
    await hand.list('Start from')
    await hand.option(kind)
    await settled(page)
  } else await hand.press('Four quadrants')
  await hand.press('Start planning')
  await totals(page)
  return { page, hand }
}

async function documentOn(page: Page): Promise<FaltoPlan> {
  await saved(page)
  return exported(oriel, page.url().split('/').at(-1)!)
}

it('foils, a shadow begun on them, and a gloss: by hand from an empty layout', async () => {
  const { page, hand } = await begun('By hand')
  await hand.zone('Back left')
  await hand.press('Teased')
  await hand.press('Same everywhere')
  for (const [kind, preset] of [
    ['Shadow root', 'On the scalp'],
    ['Gloss', 'Block'],
  ] as const) {
    await hand.press('Add a stage')
    await hand.text(kind)
    await settled(page)
    await hand.zone('Back left')
    await hand.press(preset)
    await hand.press('Add a row of formula B')
    await hand.press('Same everywhere')
  }
  await hand.press('Gloss: stage')
  await hand.text('On, off and how long')
  await settled(page)
  await clean(page)
  await hand.list('Begins')
  await hand.option('as soon as another is on')
  await settled(page)
  await hand.list('Comes off')
  await hand.option('together with another stage')
  await settled(page)
  await hand.press('Done')
  await page.waitForSelector('[aria-label="At once, off in one rinse: Shadow root, Gloss"]')
  const { stages } = (await documentOn(page)).variants[0]!
  expect(stages.map(({ kind }) => kind)).toEqual(['lighten', 'shadowRoot', 'gloss'])
  expect(stages[2]).toMatchObject({
    begins: { kind: 'asApplied', stageId: stages[1]!.id },
    comesOff: { kind: 'together', stageId: stages[1]!.id },
  })
  for (const { zones } of stages) for (const { placement } of zones) expect(placement.sequence).toHaveLength(1)
  expect(hand.count()).toBeLessThanOrEqual(MOST_INPUTS)
})

it('root and lengths toned together, with planned minutes', async () => {
  const { page, hand } = await begun('Toned', 'Root and lengths toned')
  await hand.text('2 Lengths')
  await hand.press('Lengths: stage')
  await hand.text('On, off and how long')
  await settled(page)
  const minutes = await page.waitForSelector('[role="dialog"] input[inputmode]')
  await minutes!.click({ count: 3 })
  await minutes!.type('12')
  await page.keyboard.press('Tab')
  await hand.press('Done')
  const { stages } = (await documentOn(page)).variants[0]!
  expect(stages[1]!.lasts).toEqual({ minutes: 12 })
  expect(hand.count() + 4).toBeLessThanOrEqual(MOST_INPUTS)
})

it('two lighteners in one foil, divided along the strand by hand', async () => {
  const { page, hand } = await begun('Divided', 'Light and low in turn')
  await hand.zone('Back left')
  await hand.text('Row by row')
  await page.waitForSelector('[aria-label="Row 1 of the rhythm, along the strand"]')
  await hand.text('Divide along the strand')
  const edge = await page.waitForSelector('[aria-label="End of stretch 1"]')
  await edge!.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowLeft')
  await hand.press('Same everywhere')
  await clean(page)
  const { zones } = (await documentOn(page)).variants[0]!.stages[0]!
  for (const { placement } of zones)
    expect(placement.sequence[0]).toMatchObject({ stretches: [{ formulaId: 'A' }, { formulaId: 'B' }] })
  expect(hand.count() + 3).toBeLessThanOrEqual(MOST_INPUTS)
})
