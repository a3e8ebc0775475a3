import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer, { type Browser, type BrowserContext, type Page, type Viewport } from 'puppeteer-core'
import { database } from '@/db'
import { BASE_URL, type Device } from '../support/server'
import { CHROMIUM } from '../support/chromium'
import { knowsNames } from '../support/named'

// Ends what hangs, on a machine that has to do with a tenth of itself as well.
jest.setTimeout(300_000)
const WAIT_MS = 90_000

/** What a page keeps on a device besides its cookies. */
const KEPT = 'indexeddb,local_storage,service_workers,cache_storage'

interface Windows {
  open: (device?: Device, size?: Viewport) => Promise<Page>
}

/**
 * Windows for the tests of one file, in a browser of their own. Windows that are open at once are devices of their own;
 * what a device keeps is taken from it after each test, apart from scripts it has read once. What goes wrong on any
 * page fails the test that opened it.
 */
export function windows(): Windows {
  const profile = mkdtempSync(join(tmpdir(), 'falto-browser-'))
  const problems: string[] = []
  const free: BrowserContext[] = []
  /** Windows of the test that runs; they would go on working behind the next one. */
  const opened: Page[] = []
  let browser: Browser

  beforeAll(async () => {
    knowsNames()
    browser = await puppeteer.launch({ ...CHROMIUM, userDataDir: profile })
  })
  afterEach(async () => {
    await Promise.all(opened.splice(0).map(async (page) => free.push(await emptied(page))))
    expect(problems.splice(0)).toEqual([])
  })
  afterAll(async () => {
    await browser.close()
    rmSync(profile, { recursive: true, force: true })
    await database().$client.end()
  })

  /** A window with cookies of its own; signed in as a device is, where one is given. */
  async function open(device?: Device, size: Viewport = { width: 1280, height: 800 }): Promise<Page> {
    const context = free.pop() ?? (await browser.createBrowserContext())
    const page = await context.newPage()
    if (expect.getState().currentTestName) opened.push(page)
    page.setDefaultTimeout(WAIT_MS)
    await page.setViewport(size)
    // What slides or fades is neither there nor gone while a test looks at it.
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }])
    page.on('pageerror', (error) => problems.push(error instanceof Error ? error.message : String(error)))
    page.on('console', (said) => {
      if (said.text().includes('Content Security Policy')) problems.push(said.text())
    })
    for (const pair of device?.cookie.split('; ') ?? []) {
      const at = pair.indexOf('=')
      await context.setCookie({
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

/** Closes all windows of a page's device and takes from it what it keeps. */
async function emptied(page: Page): Promise<BrowserContext> {
  const context = page.browserContext()
  const last = await context.newPage()
  await Promise.all((await context.pages()).filter((other) => other !== last).map((other) => other.close()))
  const session = await last.createCDPSession()
  await session.send('Storage.clearDataForOrigin', { origin: BASE_URL, storageTypes: KEPT })
  await session.send('Network.clearBrowserCookies')
  await context.clearPermissionOverrides()
  await last.close()
  return context
}

export const url = (path: string): string => `${BASE_URL}${path}`

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
export const press = (page: Page, name: string) => page.locator(`::-p-named(button ${name})`).click()

/** Empties a field, types into it and leaves it. */
export async function fill(page: Page, label: string, text: string): Promise<void> {
  const field = await page.waitForSelector(`::-p-named(textbox ${label})`)
  await field!.click({ clickCount: 3 })
  await field!.type(text)
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
  page.locator(`[aria-label="Order of application"] ::-p-text(${name})`).click()

/** Reads something of the page, frame by frame, until it is as it should be; the test's own time limit ends it. */
export async function becomes<T>(page: Page, read: () => Promise<T>, fits: (value: T) => boolean): Promise<T> {
  for (;;) {
    const value = await read()
    if (fits(value)) return value
    await page.evaluate(() => new Promise(requestAnimationFrame))
  }
}
