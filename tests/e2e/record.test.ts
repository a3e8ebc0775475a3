import { deviceOf, newClient, type Device } from '../support/server'
import { clean } from './axe'
import { fill, press, totals, url, windows } from './browser'
import { pressOn } from './hand'

const { open } = windows()
let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

it('says in two presses what was mixed last time, how long it took and what to change, and does it again in one', async () => {
  const page = await open(oriel)
  await page.goto(url('/people?search=Maren'))
  await pressOn(page, '::-p-text(Maren Hale-Abara)')
  await page.waitForSelector('[aria-labelledby="visits"]')
  await page.waitForSelector('::-p-text(Next time: Begin at the nape)')
  await pressOn(page, '[aria-labelledby="visits"] a:nth-of-type(2)')
  await page.waitForSelector('[aria-label="What was mixed"] ::-p-text(Marl powder lightener)')
  await page.waitForSelector('main ::-p-text(, took )')
  expect(await page.$eval('textarea[name="change"]', (field) => (field as HTMLTextAreaElement).value)).toContain(
    'Begin at the nape',
  )
  await clean(page)
  await press(page, 'Repeat today')
  await totals(page)
  await page.waitForSelector('::-p-text(Hairline and part, again)')
  await page.waitForSelector('[aria-label="From earlier visits"] ::-p-text(Begin at the nape)')
})

it('keeps what one thinks of a visit, and what was left in a bowl', async () => {
  const page = await open(oriel)
  await page.goto(url('/log?words=Corwin'))
  await pressOn(page, '[aria-label="Visits"] a')
  await page.locator('textarea[name="worked"]').fill('Curls lie apart')
  await press(page, 'Keep')
  await page.waitForSelector('::-p-text(Your words are kept with this visit.)')
  const left = await page.waitForSelector('[aria-label="What was mixed"] input')
  await left!.click({ clickCount: 3 })
  await left!.type('3.5')
  await left!.press('Enter')
  await page.waitForSelector('[aria-label="What was mixed"] td ::-p-text(3.5 g)')
  await page.reload()
  await page.waitForSelector('textarea[name="worked"]')
  expect(await page.$eval('textarea[name="worked"]', (field) => (field as HTMLTextAreaElement).value)).toBe(
    'Curls lie apart',
  )
})

it('searches the log, and shows who is due and what is learned', async () => {
  const page = await open(oriel)
  await page.goto(url('/log'))
  await page.waitForSelector('[aria-label="Grams by month"]')
  await clean(page)
  await page.locator('input[type="text"]').fill('Tamsin')
  await press(page, 'Search')
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[aria-label="Visits"] a')].every(({ textContent }) =>
      textContent?.includes('Tamsin'),
    ),
  )
  await pressOn(page, '::-p-named(link Who is due)')
  await page.waitForSelector('[aria-label="Overdue"]')
  await clean(page)
  await pressOn(page, '::-p-named(link Your figures)')
  const card = '[aria-label="Product on the hair, powder lightener"]'
  const jobs = async () =>
    Number(/(\d+) jobs?:/.exec(await page.$eval(card, ({ textContent }) => textContent ?? ''))![1])
  await page.waitForSelector(card)
  await clean(page)
  const before = await jobs()
  await pressOn(page, `${card} summary`)
  await pressOn(page, `${card} button::-p-text(Leave out)`)
  await page.waitForSelector('[aria-label="Left out"]')
  expect(await jobs()).toBe(before - 1)
  await pressOn(page, '[aria-label="Left out"] button::-p-text(Take in again)')
  await page.waitForFunction(() => !document.querySelector('[aria-label="Left out"]'))
  expect(await jobs()).toBe(before)
})

it('enters a visit done without Falto, takes it back and lets it count again', async () => {
  const clientId = await newClient(oriel, 'Came from elsewhere')
  const page = await open(oriel)
  await page.goto(url(`/people/${clientId}`))
  await press(page, 'Enter an earlier one')
  await pressOn(page, '::-p-named(combobox What was done)')
  await pressOn(page, '::-p-named(option Hairline and part)')
  await page.waitForSelector('[role="dialog"] fieldset legend')
  await page.waitForSelector('[role="dialog"] button:not(:disabled)::-p-text(Enter the visit)')
  await clean(page)
  for (const [name, value] of [
    ['Mixed', '45'],
    ['Left over', '4'],
    ['It took', '150'],
  ])
    await fill(page, name!, value!)
  await press(page, 'Enter the visit')
  await page.waitForSelector('main ::-p-text(took 2 h 30)')
  await page.waitForSelector('[aria-label="What was mixed"] td ::-p-text(45 g)')
  await clean(page)
  await press(page, 'Take this visit back')
  await page.waitForSelector('::-p-text(no sum, list or figure counts it)')
  await press(page, 'Let it count again')
  await page.waitForFunction(() => !document.body.textContent?.includes('no sum, list or figure counts it'))
})

it('writes to who is due in the salon’s own words, and says what went out', async () => {
  const page = await open(oriel)
  await page.goto(url('/log/due'))
  await page.waitForSelector('[aria-label="Overdue"]')
  await pressOn(page, '[aria-label="Overdue"] button::-p-text(Write)')
  await page.waitForSelector('[role="dialog"] textarea')
  await clean(page)
  expect(await page.$eval('[role="dialog"] textarea', (field) => (field as HTMLTextAreaElement).value)).toMatch(
    /^Dear \w+, it has been a while since \d+ \w+ \d{4}/,
  )
  await press(page, 'Put in the outbox')
  await page.waitForSelector('::-p-text(is in the outbox)')
  await pressOn(page, '::-p-named(link Outbox)')
  await page.waitForSelector('[aria-label="Messages"] ::-p-text(waits)')
  await clean(page)
  await press(page, 'It went out')
  await page.waitForSelector('[aria-label="Messages"] ::-p-text(went out)')
})

it('finds formulas by the nearest colour', async () => {
  const page = await open(oriel)
  await page.goto(url('/log/formulas?level=8&tone=neutral'))
  await page.waitForSelector('main a[href^="/visits/"]')
  await clean(page)
})
