import type { ElementHandle, Page } from 'puppeteer-core'

/** How long a hand waits for what it wants to press; as long as for anything else on a page. */
export const WAIT_MS = 90_000

/**
 * Presses what a selector finds first, once it works, keeps still and nothing lies over it. A press that lands on
 * something else, because the page moved in between, does nothing and is made again: it would open, close or choose
 * what nobody asked for, and what the test waits for after that never comes.
 */
export async function pressOn(page: Page, selector: string): Promise<void> {
  for (let hit = false; !hit;) {
    const element = (await page.waitForSelector(selector)) as ElementHandle<Element>
    const aim = await element.evaluateHandle(aimed, selector, WAIT_MS)
    const at = await aim.evaluate((aim) => aim.at)
    if (!at) continue
    // Asked before the press, which may take the page away.
    const told = aim.evaluate((aim) => aim.hit)
    await page.mouse.click(at.x, at.y)
    hit = await told
    if (!hit) await aim.evaluate((aim) => aim.end())
  }
}

interface Aim {
  /** Where to press, px in the window; nothing if the element has gone from the page. */
  at?: { x: number; y: number }
  /** Whether the pointer that goes down does so on the element. Where it does not, the page feels nothing of it. */
  hit: Promise<boolean>
  /** Lets the page feel pointers again. */
  end: () => void
}

/** In the page: waits until an element can be pressed. */
async function aimed(element: Element, selector: string, waitMs: number): Promise<Aim> {
  const middle = () => {
    const { x, y, width, height } = element.getBoundingClientRect()
    return { x: x + width / 2, y: y + height / 2, area: width * height }
  }
  // What is about to grow out of nothing stands still until it does, unseen; a box to tick is itself never seen.
  const seen = () =>
    element.parentElement!.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
    getComputedStyle(element).visibility === 'visible'
  const frame = () => new Promise(requestAnimationFrame)
  const until = performance.now() + waitMs
  for (let before = middle(); ;) {
    await frame()
    if (!element.isConnected) return { hit: Promise.resolve(false), end: () => {} }
    const at = middle()
    const still = at.area > 0 && at.x === before.x && at.y === before.y && at.area === before.area
    if (still && seen() && !element.matches(':disabled')) {
      if (element.contains(document.elementFromPoint(at.x, at.y))) return guarded(at)
      element.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' })
    }
    if (performance.now() > until)
      throw new Error(
        `${selector} cannot be pressed: ${document.elementFromPoint(at.x, at.y)?.outerHTML.slice(0, 200)}`,
      )
    before = at
  }

  function guarded(at: Aim['at']): Aim {
    const guard = new AbortController()
    const end = () => guard.abort()
    const hit = new Promise<boolean>((resolve) => {
      const feel = (event: Event) => {
        const onIt = event.type === 'pointerdown' && event.composedPath().includes(element)
        resolve(onIt)
        if (onIt) return end()
        event.stopImmediatePropagation()
        event.preventDefault()
      }
      for (const kind of ['pointerdown', 'mousedown', 'pointerup', 'mouseup', 'click'])
        window.addEventListener(kind, feel, { capture: true, signal: guard.signal })
    })
    return { at, hit, end }
  }
}
