import { mkdirSync } from 'node:fs'
import puppeteer, { type Page } from 'puppeteer-core'
import { CHROMIUM } from '../tests/support/chromium'

/**
 * Takes the pictures of docs/screenshots from a freshly seeded demo: FALTO_URL=http://127.0.0.1:4310 node --import tsx
 * scripts/screenshots.ts
 */
const base = process.env['FALTO_URL'] ?? 'http://127.0.0.1:4310'
mkdirSync('docs/screenshots', { recursive: true })

const browser = await puppeteer.launch(CHROMIUM)

async function windowOf(person: string, size = { width: 1280, height: 800 }): Promise<Page> {
  const page = await (await browser.createBrowserContext()).newPage()
  // A busy machine draws slowly; nothing is gained by giving up early.
  page.setDefaultTimeout(120_000)
  await page.setViewport(size)
  await page.goto(`${base}/sign-in`)
  await page.locator(`::-p-text(${person})`).click()
  await page.waitForFunction(() => location.pathname === '/people')
  return page
}

async function plan(page: Page, client: string, name: string): Promise<void> {
  await page.locator(`::-p-text(${client})`).click()
  await page.waitForFunction(() => /^\/people\/./.test(location.pathname))
  await page.locator(`a::-p-text(${name})`).click()
  await page.waitForSelector('[aria-label="Totals"][aria-busy="false"]')
}

const zone = (page: Page, name: string) =>
  page.locator(`::-p-aria([name="Order of application"]) ::-p-text(${name})`).click()

async function keep(page: Page, name: string): Promise<void> {
  // Two quiet frames after the network has come to rest: transitions are over and the head is drawn.
  await page.waitForNetworkIdle({ idleTime: 800 })
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
}

const view = (page: Page, name: string) => page.locator(`::-p-aria([name="${name}"][role="tab"])`).click()

/** Waits for fine pictures and their figures. */
async function looked(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const groups = [...document.querySelectorAll('[data-ready]')]
    return groups.length > 0 && groups.every((group) => group.getAttribute('data-ready') === 'true')
  })
  await page.waitForSelector('[aria-label="Counted in the pictures"]')
}

const desk = await windowOf('Oriel Castellane')
await keep(desk, 'people')
await plan(desk, 'Tamsin Quill', 'Seen from the back row')
await zone(desk, 'Top strip')
await keep(desk, 'map')
await view(desk, 'Head')
await desk.waitForSelector('[data-state="shown"]')
await keep(desk, 'head')
await view(desk, 'Look')
await looked(desk)
await keep(desk, 'look')
await desk.locator('::-p-aria([name="Beside it"][role="combobox"])').click()
await desk.locator('::-p-aria([name="Waved"][role="option"])').click()
await desk.locator('::-p-aria([name="Left"][role="button"])').click()
await looked(desk)
await keep(desk, 'look-beside')
await view(desk, 'Map')

const boldPlan = desk.url()
await desk.goto(`${boldPlan}/mix`)
await desk.waitForSelector('[aria-label="Bowls"]')
await desk.locator('nav[aria-label="Formulas"] button:nth-of-type(2)').click()
await desk.locator('button::-p-text(Suggest shades)').click()
await desk.locator('[aria-label="Suggestion 1"] button').click()
await keep(desk, 'mix')
await desk.goto(`${boldPlan}/clock`)
await desk.waitForSelector('[aria-label="Compared"][aria-busy="false"]', { timeout: 60_000 })
await keep(desk, 'clock')
await desk.goto(`${base}/day?on=${new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10)}`)
await desk.waitForFunction(() => document.querySelector('main [role="status"]')?.textContent?.startsWith('It fits'))
await keep(desk, 'day')
await desk.goto(`${boldPlan}/clock`)
await desk.locator('button::-p-text(Begin at the chair)').click()
await desk.waitForSelector('[role="dialog"] ::-p-text(Before this visit begins)')
for (const box of await desk.$$('[role="dialog"] input[type="checkbox"]')) await box.click()
await desk.locator('button::-p-text(I have looked at these)').click()
await desk.waitForSelector('[aria-label="Next step"]')
const chair = await windowOf('Tove Lindqvist-Adeyemi', { width: 1024, height: 768 })
await chair.goto(desk.url())
await chair.waitForSelector('[aria-label="Next step"]')
const nextStep = () => chair.$eval('[aria-label="Next step"]', ({ textContent }) => textContent)
async function tell(step: string): Promise<void> {
  const before = await nextStep()
  await chair.locator(`[aria-label="Next step"] button::-p-text(${step})`).click()
  await chair.waitForFunction(
    (text) => document.querySelector('[aria-label="Next step"]')?.textContent !== text,
    {},
    before,
  )
}
while (!(await nextStep()).includes('Put in')) for (const step of ['Begin', 'Done']) await tell(step)
for (const step of ['Begin', 'One more in', 'One more in', 'One more in']) await tell(step)
await chair.waitForFunction(() => document.querySelector('header [role="status"]')?.textContent === 'in step')
await chair.screenshot({ path: 'docs/screenshots/chair.png' })
await desk.goto(`${base}/shelf`)
await desk.waitForSelector('[role="grid"]')
await keep(desk, 'shelf')
const bench = await windowOf('Tove Lindqvist-Adeyemi', { width: 1024, height: 768 })
await bench.goto(`${boldPlan}/mix`)
await bench.locator('button[aria-label="Weigh bowl 1"]').click()
await bench.locator('button::-p-text(Pour what is asked)').click()
// The pour has come to rest once it can be taken.
await bench.waitForFunction(() =>
  [...document.querySelectorAll('button')].some(
    ({ textContent, disabled }) => /^Take \d/.test(textContent ?? '') && !disabled,
  ),
)
await bench.screenshot({ path: 'docs/screenshots/weigh.png' })

const second = await windowOf('Bram Whitlock')
await second.locator('::-p-text(Maren Hale-Abara)').click()
await second.waitForSelector('::-p-text(Name and head)')
await keep(second, 'client')
const record = second.url()
await second.goto(`${record}/consultation`)
await second.waitForSelector('[aria-label^="Strand of"]')
await keep(second, 'consultation')
await second.locator('[role="tab"]::-p-text(Wish & verdict)').click()
await keep(second, 'verdict')
await second.goto(`${record}/care`)
await keep(second, 'care')
const tablet = await windowOf('Tove Lindqvist-Adeyemi', { width: 820, height: 1180 })
await plan(tablet, 'Ysolde Marchbanks', 'Light along the plait')
await zone(tablet, 'Back')
await keep(tablet, 'map-tablet')

const back = await windowOf('Oriel Castellane')
await back.goto(`${base}/log`)
await back.waitForSelector('.recharts-surface')
await keep(back, 'log')
await back.goto(`${base}/log/figures`)
await keep(back, 'figures')
await back.goto(`${base}/log?words=Tamsin`)
await back.locator('[aria-label="Visits"] a:nth-of-type(2)').click()
await back.waitForSelector('[aria-label="What was mixed"]')
await keep(back, 'visit')

await browser.close()
