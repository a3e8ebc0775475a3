import { source, type AxeResults, type RunOptions } from 'axe-core'
import type { Page } from 'puppeteer-core'

/**
 * What axe finds on what is shown. It is asked in the page itself: its own driver gives a page up after a second, which
 * a busy machine does not always have for it.
 */
async function violationsOn(page: Page, options: RunOptions = {}): Promise<AxeResults['violations']> {
  await page.evaluate(source)
  return page.evaluate(
    async (asked) => {
      const { axe } = window as unknown as { axe: { run: (options: RunOptions) => Promise<AxeResults> } }
      return (await axe.run(asked)).violations
    },
    { ...options, resultTypes: ['violations'] } satisfies RunOptions,
  )
}

const inWords = ({ id, nodes }: AxeResults['violations'][number]) =>
  `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`

/** Axe finds nothing at all on what is shown, once it has come up in full: what is half faded in has less contrast. */
export async function clean(page: Page): Promise<void> {
  await page.evaluate(() =>
    Promise.allSettled(
      document
        .getAnimations()
        .filter(({ effect }) => Number.isFinite(effect?.getComputedTiming().endTime))
        .map(({ finished }) => finished),
    ),
  )
  const found = await violationsOn(page, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] })
  expect(found.map(inWords)).toEqual([])
}

/** What axe holds for serious on what is shown, by all of its rules. */
export async function seriousOn(page: Page): Promise<string[]> {
  const found = await violationsOn(page)
  return found.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(inWords)
}
