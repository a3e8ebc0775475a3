import { v7 as newId } from 'uuid'
import type { Page } from 'puppeteer-core'
import { byId, type KeptRunEvent, type OpenRun } from '@/core/model'
import { amendmentsIn, type RunScript } from '@/core/time/run'
import { lineTo } from '../support/line'
import { BASE_URL, beginRun, deviceOf, servicePlanOf, type Device } from '../support/server'
import { clean } from './axe'
import { press, windows } from './browser'
import { pressOn } from './hand'
import { doneElsewhere, doStep, inStep, kept, nextStep, nextStepSays, tap } from './visit'

const { open } = windows()
let oriel: Device
let tove: Device
let juno: Device
beforeAll(async () => {
  ;[oriel, tove, juno] = (await Promise.all(['oriel', 'tove', 'juno'].map(deviceOf))) as [Device, Device, Device]
})

async function newRun(): Promise<string> {
  const plan = await servicePlanOf(oriel, 'At the chair', 'topAndSides')
  return beginRun(oriel, plan)
}
const openRun = async (id: string) => (await oriel.call('GET', `/api/runs/${id}`)).body as unknown as OpenRun<RunScript>
const logOf = async (id: string): Promise<KeptRunEvent[]> => (await openRun(id)).events

/** Everything before a step of some kind. */
const stepsBefore = ({ steps }: RunScript, kind: string) =>
  steps.slice(
    0,
    steps.findIndex((step) => step.kind === kind),
  )

async function chair(id: string, device = oriel, size = { width: 1024, height: 768 }, base = BASE_URL): Promise<Page> {
  const page = await open(device, size)
  await page.goto(`${base}/runs/${id}`)
  await page.waitForSelector('[aria-label="Next step"]')
  return page
}
describe('at the chair', () => {
  it('goes from step to step, counts foils, times the hair under product, keeps what is seen, and takes back', async () => {
    const id = await newRun()
    const { script } = await openRun(id)
    await doneElsewhere(oriel, id, stepsBefore(script, 'apply'))
    const page = await chair(id)
    await clean(page)
    await press(page, 'Begin')
    await press(page, 'One more in')
    await nextStepSays(page, '1 / ')
    await page.waitForSelector('[aria-label="Hair under product"] article')
    await pressOn(page, '[aria-label="Hair under product"] article button')
    await page.waitForSelector('[role="dialog"] ::-p-text(Wipe and look)')
    await clean(page)
    await pressOn(page, 'button[aria-label="Level 7, orange"], button[aria-label^="Level 7,"]')
    await page.waitForFunction(() =>
      document.querySelector('[aria-label="Hair under product"]')?.textContent?.includes('seen 7'),
    )
    await inStep(page)
    expect((await logOf(id)).slice(-3).map(({ kind, value }) => [kind, value])).toEqual([
      ['begun', undefined],
      ['counted', 1],
      ['seen', 7],
    ])
    await pressOn(page, 'button::-p-text(Take back)')
    await page.waitForFunction(
      () => !document.querySelector('[aria-label="Hair under product"]')?.textContent?.includes('seen 7'),
    )
  })

  it('ends with what was planned beside what it took', async () => {
    const id = await newRun()
    const { script } = await openRun(id)
    const page = await chair(id)
    await clean(page)
    await press(page, 'Skip')
    for (let i = 1; i < script.steps.length; i++) await doStep(page)
    await nextStepSays(page, 'All steps are done')
    await press(page, 'End the visit')
    await nextStepSays(page, 'This visit is over')
    await inStep(page)
    await clean(page)
    const shown = await nextStep(page)
    expect(shown).toMatch(/Planned .+, took \d+ min/)
    expect(shown).toContain('skipped')
    const { runs } = (await oriel.call('GET', `/api/plans/${(await openRun(id)).planId}/runs`)).body as {
      runs: { ended: boolean }[]
    }
    expect(runs).toEqual([expect.objectContaining({ ended: true })])
  })

  it('puts what the hair came to into the client’s record once the eye has confirmed it', async () => {
    const id = await newRun()
    const { script, client } = await openRun(id)
    const page = await chair(id)
    for (const { kind, id: stepId } of script.steps) {
      await doStep(page)
      if (kind !== 'apply') continue
      await page.waitForFunction(
        (name) => document.querySelector('[aria-label="Cross-check"]')?.textContent?.includes(name),
        {},
        byId(script.steps, stepId).about,
      )
      await press(page, 'All well')
      await page.waitForFunction(() => !document.querySelector('[aria-label="Cross-check"]'))
    }
    await press(page, 'End the visit')
    await page.waitForSelector('[aria-label="The hair now"]')
    await inStep(page)
    const level = (await page.$('[aria-label="The hair now"] input'))!
    await level.click({ count: 3 })
    await level.type('9.5')
    await clean(page)
    await press(page, 'This is the hair now')
    await page.waitForSelector('::-p-text(The hair this visit left is in)')
    const { latest } = (await oriel.call('GET', `/api/clients/${client.id}/consultation`)).body as {
      latest: { kind: string; canvas: { strands: { bands: { level: number; beneathLevel?: number }[] }[] } }
    }
    expect(latest.kind).toBe('done')
    // What was seen under the lightener was toned afterwards: it lies beneath the gloss.
    expect(latest.canvas.strands.some(({ bands }) => bands.some(({ beneathLevel }) => beneathLevel === 9.5))).toBe(true)
    expect((await openRun(id)).recorded).toBe(true)
  })

  it('counts a piece that was not planned, says why it is later, hands a step over, and finds a way on with help', async () => {
    const plan = await servicePlanOf(oriel, 'At the chair', 'scalpToTip')
    const id = await beginRun(oriel, plan, { helping: ['second'] })
    const { script } = await openRun(id)
    await doneElsewhere(oriel, id, stepsBefore(script, 'apply'))
    const page = await chair(id)
    await press(page, 'Begin')
    const { pieces } = script.steps.find(({ kind }) => kind === 'apply')!
    await press(page, 'One not planned')
    await page.locator('[role="dialog"] ::-p-named(textbox Where)').fill('at the part')
    await press(page, 'It is in')
    await nextStepSays(page, `/ ${pieces.length + 1}`)
    await pressOn(page, '[aria-label="Then"] button')
    await page.waitForFunction(() =>
      document.querySelector('main, body')?.textContent?.includes('Take back: handed over'),
    )
    await press(page, 'Something happened')
    await press(page, '15 min')
    await page.waitForFunction(() => document.querySelector('header')?.textContent?.includes('Held up: 15 min'))
    // Somebody else tells of a longer one.
    const elsewhere = {
      id: newId(),
      kind: 'delayed',
      value: 90,
      deviceId: newId(),
      deviceSeq: 0,
      deviceTime: Date.now(),
      offsetMs: 0,
    }
    expect((await tove.call('POST', `/api/runs/${id}/events`, { events: [elsewhere], after: 0 })).status).toBe(200)
    await page.waitForFunction(() => document.querySelector('header')?.textContent?.includes('Held up: 90 min'))
    await press(page, 'Find a way')
    await pressOn(page, '[role="dialog"] article ::-p-text(Go on like this)')
    await page.waitForFunction(() => document.body.textContent?.includes('Take back: another way'))
    await inStep(page)
    const kinds = (await logOf(id)).map(({ kind }) => kind)
    expect(kinds.slice(-4)).toEqual(['handed', 'delayed', 'delayed', 'replanned'])
  })

  it('takes levels along the strand, an opened foil and a piece left out to the record; a device shows its own steps', async () => {
    const plan = await servicePlanOf(oriel, 'At the chair', 'topAndSides')
    const id = await beginRun(oriel, plan, { helping: ['assistant'] })
    const { client, script } = await openRun(id)
    const [one, other] = [await chair(id, oriel), await chair(id, tove, { width: 390, height: 844 })]
    await press(other, 'Assistant')
    await nextStepSays(other, '· Assistant')
    await other.reload()
    await nextStepSays(other, '· Assistant')
    await clean(other)
    await doneElsewhere(oriel, id, stepsBefore(script, 'apply'))
    await nextStepSays(one, 'Put in')
    await press(one, 'Begin')
    const apply = script.steps.find(({ kind }) => kind === 'apply')!
    await press(one, 'Leave it out')
    await nextStepSays(one, `/ ${apply.pieces.length - 1}`)
    await pressOn(one, '[aria-label="Hair under product"] article button')
    await press(one, 'The root')
    for (const level of [9, 8, 7]) await pressOn(one, `button[aria-label^="Level ${level},"]`)
    await one.waitForFunction(() =>
      document
        .querySelector('[aria-label="Hair under product"]')
        ?.textContent?.includes('seen root 9, middle 8, ends 7'),
    )
    await press(one, 'Opened')
    await one.waitForFunction(() =>
      document.querySelector('[aria-label="Hair under product"]')?.textContent?.includes('· opened'),
    )
    await press(one, 'Done')
    await doneElsewhere(oriel, id, script.steps.slice(script.steps.indexOf(apply) + 1))
    await nextStepSays(one, 'All steps are done')
    await press(one, 'End the visit')
    await one.waitForSelector('[aria-label="The hair now"]')
    await inStep(one)
    await clean(one)
    await press(one, 'This is the hair now')
    await one.waitForSelector('::-p-text(The hair this visit left is in)')
    const { latest } = (await oriel.call('GET', `/api/clients/${client.id}/consultation`)).body as {
      latest: { canvas: { strands: { bands: { beneathLevel?: number }[] }[] } }
    }
    const along = latest.canvas.strands.map(({ bands }) => bands.map(({ beneathLevel }) => beneathLevel))
    expect(along.some((levels) => levels.join().includes('9,8,7'))).toBe(true)
    expect(await nextStep(one)).toContain('1 left out')
  })

  it('does a step once that two devices finish at once, and both come to the same', async () => {
    const id = await newRun()
    const [one, other] = [await chair(id, oriel), await chair(id, tove, { width: 390, height: 844 })]
    await Promise.all([tap(one, 'Begin', 'Now'), tap(other, 'Begin', 'Now')])
    await Promise.all([tap(one, 'Done', 'Next'), tap(other, 'Done', 'Next')])
    await Promise.all([inStep(one), inStep(other)])
    await one.waitForFunction(() => !document.querySelector('[aria-label="Next step"]')?.textContent?.startsWith('Now'))
    expect((await logOf(id)).map(({ kind }) => kind).sort()).toEqual(['begun', 'done'])
    expect(await nextStep(one)).toBe(await nextStep(other))
    expect(await other.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  })

  it('follows a changed decision on two devices, from the tap to the record', async () => {
    const id = await newRun()
    const { script, client } = await openRun(id)
    await doneElsewhere(oriel, id, stepsBefore(script, 'rinse'))
    const [one, other] = [await chair(id, oriel), await chair(id, tove, { width: 390, height: 844 })]
    // The canvas is rinsed, and the root looks too light.
    const rinsed = script.steps.findIndex(({ kind }) => kind === 'rinse')
    await doStep(one)
    await inStep(one)
    await press(one, 'Put on something more')
    await clean(one)
    await press(one, 'warm')
    await press(one, 'Add it to the visit')
    await one.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    const { script: now } = amendmentsIn(await logOf(id)).at(-1)!
    const added = now.steps.filter((step) => !script.steps.some((own) => own.id === step.id))
    const [mix] = added.filter(({ kind }) => kind === 'mix')
    // The other device comes to it by itself, and does it.
    const mixed = now.steps.findIndex((step) => step.id === mix!.id)
    await doneElsewhere(oriel, id, now.steps.slice(rinsed + 1, mixed))
    await nextStepSays(other, mix!.about)
    await doStep(other)
    await doneElsewhere(oriel, id, now.steps.slice(mixed + 1))
    await nextStepSays(other, 'All steps are done')
    await press(other, 'End the visit')
    await nextStepSays(one, 'This visit is over')
    await Promise.all([inStep(one), inStep(other)])
    await press(one, 'This is the hair now')
    await one.waitForSelector('::-p-text(The hair this visit left is in)')
    const { body } = await oriel.call('GET', `/api/clients/${client.id}/consultation`)
    const letter = mix!.about.slice(0, 1)
    expect(JSON.stringify(body)).toMatch(new RegExp(`[0-9a-f-]{36}/${letter}"`))
  })

  it('loses nothing without a network, through a reload, and doubles nothing when it is back', async () => {
    const id = await newRun()
    const line = await lineTo(Number(new URL(BASE_URL).port))
    const page = await chair(id, oriel, undefined, line.base)
    await kept(page)
    await doStep(page)
    await inStep(page)
    await line.cut()
    for (let i = 0; i < 4; i++) await doStep(page)
    await press(page, 'Begin')
    await page.waitForFunction(() =>
      document.querySelector('header [role="status"]')?.textContent?.startsWith('9 kept here'),
    )
    const shown = (await nextStep(page)).replace(/\d+:\d\d/, '')
    await page.reload()
    await page.waitForFunction(() =>
      document.querySelector('header [role="status"]')?.textContent?.startsWith('9 kept here'),
    )
    expect((await nextStep(page)).replace(/\d+:\d\d/, '')).toBe(shown)
    await press(page, 'Done')
    await line.mend()
    await inStep(page)
    const log = await logOf(id)
    expect(log).toHaveLength(12)
    expect(new Set(log.map(({ id: one }) => one)).size).toBe(12)
    expect(log.map(({ deviceTime }) => deviceTime)).toEqual(
      log.map(({ deviceTime }) => deviceTime).sort((a, b) => a - b),
    )
    expect(log.filter(({ kind }) => kind === 'done')).toHaveLength(6)
  })

  it('puts down what went wrong and says what is usually done; an apprentice looks on', async () => {
    const id = await newRun()
    const page = await chair(id)
    await press(page, 'Begin')
    await press(page, 'Something happened')
    await press(page, 'Burning or stinging')
    await page.waitForSelector('[role="dialog"] ::-p-text(Rinse it off now)')
    await inStep(page)
    expect((await logOf(id)).at(-1)).toMatchObject({ kind: 'incident', incident: 'burning' })
    const watching = await chair(id, juno)
    // Whose steps a device shows is anybody's to choose.
    expect(await watching.$$('section button')).toHaveLength(0)
  })
})
