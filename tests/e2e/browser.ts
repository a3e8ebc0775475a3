import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer, { type Browser, type Dialog, type Page, type Viewport } from 'puppeteer-core'
import { database } from '@/db'
import { BASE_URL, type Device } from '../support/server'
import { CHROMIUM } from '../support/chromium'
import { knowsNames } from '../support/named'
import { pressOn, WAIT_MS } from './hand'

// Ends what hangs, on a machine that has to do with a tenth of itself as well.
jest.setTimeout(300_000)

export const url = (path: string): string => `${BASE_URL}${path}`

/** What a page keeps on a device besides its cookies. */
const KEPT = 'indexeddb,local_storage,service_workers,cache_storage'

/** A page of ours with nothing on it that works; one from elsewhere would end the process that has read ours. */
const NOTHING = url('/chair-worker.js')

interface Windows {
  open: (device?: Device, size?: Viewport) => Promise<Page>
}

/**
 * Windows for the tests of one file, in a browser of their own. Windows that are open at once are devices of their own;
 * what a device keeps is taken from it after each test, apart from scripts it has read once: its window stays, as a
 * second one would read and translate them all again, which costs more than most of what tests do. What goes wrong on
 * any page fails the test that opened it.
 */
export function windows(): Windows {
  const profile = mkdtempSync(join(tmpdir(), 'falto-browser-'))
  const problems: string[] = []
  const free: Page[] = []
  const opened: Page[] = []
  let browser: Browser

  beforeAll(async () => {
    knowsNames()
    browser = await puppeteer.launch({ ...CHROMIUM, userDataDir: profile })
  })
  afterEach(async () => {
    for (const page of opened.splice(0)) {
      await empty(page)
      free.push(page)
    }
    expect(problems.splice(0)).toEqual([])
  })
  afterAll(async () => {
    await browser.close()
    rmSync(profile, { recursive: true, force: true })
    await database().$client.end()
  })

  async function newWindow(): Promise<Page> {
    const page = await (await browser.createBrowserContext()).newPage()
    page.setDefaultTimeout(WAIT_MS)
    // What slides or fades is neither there nor gone while a test looks at it.
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }])
    page.on('pageerror', (error) => problems.push(error instanceof Error ? error.message : String(error)))
    page.on('console', (said) => {
      if (said.text().includes('Content Security Policy')) problems.push(said.text())
    })
    return page
  }

  /** A window with cookies of its own; signed in as a device is, where one is given. */
  async function open(device?: Device, size: Viewport = { width: 1280, height: 800 }): Promise<Page> {
    const page = free.pop() ?? (await newWindow())
    if (expect.getState().currentTestName) opened.push(page)
    await page.setViewport(size)
    for (const pair of device?.cookie.split('; ') ?? []) {
      const at = pair.indexOf('=')
      await page.browserContext().setCookie({
        name: pair.slice(0, at),
        value: pair.slice(at + 1),
        domain: '127.0.0.1',
        path: '/',
        sameSite: 'Lax',
        httpOnly: true,
      })
    }
    return page
  }
  return { open }
}

/** Leaves what a window shows, closes others of its device, and takes from that what it keeps. */
async function empty(page: Page): Promise<void> {
  const context = page.browserContext()
  await page.setOfflineMode(false)
  await Promise.all((await context.pages()).filter((other) => other !== page).map((other) => other.close()))
  const leave = (dialog: Dialog) => void dialog.accept()
  page.on('dialog', leave)
  await page.goto(NOTHING)
  page.off('dialog', leave)
  const session = await page.createCDPSession()
  await session.send('Storage.clearDataForOrigin', { origin: BASE_URL, storageTypes: KEPT })
  await session.send('Network.clearBrowserCookies')
  await session.detach()
  await context.clearPermissionOverrides()
}

/** Counts what hands do from now on, as long as the page is not read anew: every press of a key and of a pointer. */
export async function counted(page: Page): Promise<() => Promise<number>> {
  const inputs = await page.evaluateHandle(() => {
    const counter = { inputs: 0 }
    for (const kind of ['keydown', 'pointerdown'])
      window.addEventListener(kind, (event) => event.isTrusted && counter.inputs++, true)
    return counter
  })
  return () => inputs.evaluate((counter) => counter.inputs)
}

/** Text of the totals strip once everything is computed. */
export async function totals(page: Page): Promise<string> {
  await page.waitForSelector('[aria-label="Totals"][aria-busy="false"]')
  return page.$eval('[aria-label="Totals"]', (strip) => strip.textContent ?? '')
}

/** Waits until the page says that everything is saved. */
export const saved = (page: Page) => page.waitForSelector('[data-save="saved"]')

/** Waits for a condition on the strip's text. */
export const totalsContain = (page: Page, text: string) =>
  page.waitForFunction(
    (wanted) =>
      document.querySelector('[aria-label="Totals"][aria-busy="false"]')?.textContent?.includes(wanted) ?? false,
    {},
    text,
  )

/** Presses what is labelled or named so. */
export const press = (page: Page, name: string) => pressOn(page, `::-p-named(button ${name})`)

/** Empties a field, types into it and leaves it. */
export async function fill(page: Page, label: string, text: string): Promise<void> {
  await pressOn(page, `::-p-named(textbox ${label})`)
  await page.keyboard.down('Control')
  await page.keyboard.press('a')
  await page.keyboard.up('Control')
  await page.keyboard.type(text)
  await page.keyboard.press('Tab')
}

/** Waits until a taken item listens to keys: its sensor starts to in a timer of its own, after the hand was told. */
export const listening = (page: Page) => page.evaluate(() => new Promise((resolve) => setTimeout(resolve)))

/** Waits until no menu lies over the page and nothing is fading in or out. */
export const settled = (page: Page) =>
  page.waitForFunction(
    () =>
      !document.querySelector('[role="menu"], [role="listbox"]') &&
      document.getAnimations().every(({ playState }) => playState !== 'running'),
  )

/** Chooses a zone in the order of application. */
export const zone = (page: Page, name: string) =>
  pressOn(page, `[aria-label="Order of application"] ::-p-text(${name})`)

/** Reads something of the page, frame by frame, until it is as it should be; the test's own time limit ends it. */
export async function becomes<T>(page: Page, read: () => Promise<T>, fits: (value: T) => boolean): Promise<T> {
  for (;;) {
    const value = await read()
    if (fits(value)) return value
    await page.evaluate(() => new Promise(requestAnimationFrame))
  }
}
