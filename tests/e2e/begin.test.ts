import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { startInstallation, type Installation } from '../support/installation'
import { deviceOf } from '../support/server'
import { clean } from './axe'
import { fill, press, saved, totals, windows, zone } from './browser'
import { pressOn } from './hand'

/** A salon of its own, from an empty machine to its first plan, and who else comes in. */

const { open } = windows()
let falto: Installation
let base: string
let setUp: string
beforeAll(async () => {
  falto = await startInstallation('--salon')
  setUp = (await falto.says(/http:\/\/\S+\/set-up\?key=\w+/))[0]
  base = new URL(setUp).origin
}, 180_000)
afterAll(() => falto.stop())

const PASSWORD = 'eleven quiet foils'
const OWNER = 'nell@quiet.invalid'

/** Products of one plan, as another salon has exported them. */
async function catalogue(): Promise<string> {
  const { body } = await (await deviceOf('oriel')).call('GET', '/api/products/csv')
  const [heading, ...rows] = (body['text'] as string).trim().split('\r\n')
  return [heading, ...rows.filter((row) => /lightenerPowder|developer/.test(row))].join('\r\n')
}

async function upload(page: Page, selector: string, name: string, text: string): Promise<void> {
  const path = join(falto.home, name)
  writeFileSync(path, text)
  const input = await page.waitForSelector(selector)
  await (input as Awaited<ReturnType<typeof page.waitForSelector<'input'>>>)!.uploadFile(path)
}

async function signIn(page: Page, email: string, password: string): Promise<void> {
  await page.goto(`${base}/sign-in`)
  await page.locator('input[name="email"]').fill(email)
  await page.locator('input[name="password"]').fill(password)
  await press(page, 'Sign in')
}

it('a new owner sets her salon up and comes to her first finished plan, with nothing of the demo about', async () => {
  const page = await open()
  await page.goto(base)
  await page.waitForSelector('::-p-text(This Falto waits to be set up)')
  await page.goto(`${base}/set-up?key=${'0'.repeat(48)}`)
  await page.waitForSelector('::-p-text(This Falto waits to be set up)')

  await page.goto(setUp)
  await fill(page, 'Name of the salon', 'The Quiet Chair')
  await fill(page, 'Your name', 'Nell Marsh')
  await fill(page, 'E-mail', OWNER)
  await fill(page, 'Password', 'short')
  await press(page, 'Set up')
  await page.waitForSelector('::-p-text(must have 12 to 128 characters)')
  await fill(page, 'Password', PASSWORD)
  await clean(page)
  await press(page, 'Set up')

  await page.waitForSelector('::-p-text(First steps)')
  await clean(page)
  await page.goto(`${base}/shelf`)
  await page.waitForSelector('::-p-text(The shelf is empty)')
  await press(page, 'Import CSV')
  await upload(page, '[role="dialog"] input[type="file"]', 'catalogue.csv', await catalogue())
  await pressOn(page, '[role="dialog"] button::-p-text(over)')
  await page.waitForSelector('::-p-text(products taken over)')

  await page.goto(`${base}/salon`)
  await press(page, 'Set prices')
  await fill(page, 'An hour at the chair', '80')
  await press(page, 'Keep these prices')
  await page.waitForSelector('[role="dialog"]', { hidden: true })
  await press(page, 'From a table')
  await upload(page, 'input[aria-label="Table of clients"]', 'clients.csv', 'name,length_cm\nAda Vale,many\n')
  await page.waitForSelector('::-p-text(is not a number)')
  await upload(page, 'input[aria-label="Table of clients"]', 'clients.csv', 'name,length_cm\nAda Vale,41\nIda Fen,\n')
  await press(page, 'Take 2 in')
  await page.waitForSelector('::-p-text(2 clients taken in)')

  await page.goto(`${base}/people`)
  await pressOn(page, '[role="grid"] a::-p-text(Ada Vale)')
  await page.waitForSelector('::-p-text(No plan yet)')
  await press(page, 'New plan')
  await pressOn(page, '::-p-named(button Top strip)')
  await press(page, 'Start planning')
  await totals(page)
  await zone(page, 'Back')
  await press(page, 'Chunky weave')
  await saved(page)
  expect(await totals(page)).toMatch(/\d+ foils/)

  await page.goto(`${base}/salon`)
  await page.waitForFunction(() => document.querySelectorAll('[aria-labelledby="first"] svg title').length === 5)
  const done = await page.$$eval('[aria-labelledby="first"] svg title', (titles) =>
    titles.map((one) => one.textContent),
  )
  expect(done).toEqual(['done', 'done', 'done', 'done', 'to do'])
})

it('somebody who is invited joins once, does what her role is let do, and is out at once when she works here no more', async () => {
  const owner = await open()
  await signIn(owner, OWNER, PASSWORD)
  await owner.waitForSelector('[role="grid"]')
  await owner.goto(`${base}/salon`)
  await press(owner, 'Ask somebody to join')
  await fill(owner, 'Name', 'Bo Tarn')
  await fill(owner, 'E-mail', 'bo@quiet.invalid')
  await press(owner, 'Assistant')
  await clean(owner)
  await press(owner, 'Send the invitation')
  await owner.waitForSelector('::-p-text(The invitation is on its way)')
  const link = await owner.$eval('[role="dialog"] input[readonly]', (field) => (field as HTMLInputElement).value)
  expect(falto.mail().at(-1)!.replaceAll('=\r\n', '').replaceAll('=3D', '=')).toContain(link)
  await press(owner, 'Done')

  const assistant = await open()
  await assistant.goto(link)
  await assistant.waitForSelector('::-p-text(Join The Quiet Chair)')
  await fill(assistant, 'Password', 'twelve quiet foils')
  await press(assistant, 'Join')
  await assistant.waitForSelector('nav[aria-label="Falto"]')
  const statusOf = (page: Page, path: string, method = 'GET') =>
    page.evaluate(async (to, how) => (await fetch(to, { method: how })).status, path, method)
  expect(await statusOf(assistant, '/api/me')).toBe(200)
  expect(await statusOf(assistant, '/api/team')).toBe(403)
  const again = await open()
  await again.goto(link)
  await again.waitForSelector('::-p-text(This invitation is not good any more)')

  await owner.reload()
  await press(owner, 'Change Bo Tarn')
  await pressOn(owner, '[role="dialog"] label::-p-text(Works here)')
  await press(owner, 'Save')
  await owner.waitForSelector('::-p-text(· works here no more)')
  expect(await statusOf(assistant, '/api/me')).toBe(401)
  await owner.goto(`${base}/salon/audit`)
  await owner.waitForSelector('::-p-text(changed: who works here)')
  await clean(owner)
})

it('a password that was forgotten is chosen anew by a letter, which ends every session', async () => {
  const before = await open()
  await signIn(before, OWNER, PASSWORD)
  await before.waitForSelector('[role="grid"]')
  const page = await open()
  await page.goto(`${base}/forgotten`)
  await fill(page, 'E-mail', OWNER)
  await press(page, 'Send the letter')
  await page.waitForSelector('::-p-text(the letter is on its way)')
  const letter = falto.mail().at(-1)!.replaceAll('=\r\n', '').replaceAll('=3D', '=')
  await page.goto(/http:\/\/\S+\/new-password\?token=\S+/.exec(letter)![0])
  await fill(page, 'New password', 'thirteen quiet foils')
  await press(page, 'Keep this password')
  await page.waitForSelector('::-p-text(It is kept)')
  expect(await before.evaluate(async () => (await fetch('/api/me')).status)).toBe(401)
  await signIn(page, OWNER, PASSWORD)
  await page.waitForSelector('[role="alert"]')
  await signIn(page, OWNER, 'thirteen quiet foils')
  await page.waitForSelector('[role="grid"]')
})

it('her bookings are followed by a link that is shown once, and closed again', async () => {
  const page = await open()
  await signIn(page, OWNER, 'thirteen quiet foils')
  await page.waitForSelector('[role="grid"]')
  await page.goto(`${base}/account`)
  await press(page, 'Make a link')
  const field = await page.waitForSelector('::-p-named(textbox Link, shown this once)')
  const link = await field!.evaluate((input) => (input as HTMLInputElement).value)
  const status = () => page.evaluate(async (to) => (await fetch(to)).status, link)
  expect(await status()).toBe(200)
  await clean(page)
  await page.reload()
  await page.waitForSelector('::-p-text(A link is open since)')
  await press(page, 'Close the link')
  await page.waitForSelector('::-p-text(The link is closed)')
  expect(await status()).toBe(404)
})
