import { v7 as newId } from 'uuid'
import type { Page } from 'puppeteer-core'
import type { Device } from '../support/server'
import { press } from './browser'

/** What tests of a visit do and read on its page. */
export const nextStep = (page: Page) => page.$eval('[aria-label="Next step"]', ({ textContent }) => textContent ?? '')
/** Waits until the next step says so. */
export const nextStepSays = (page: Page, words: string) =>
  page.waitForFunction(
    (wanted) => document.querySelector('[aria-label="Next step"]')?.textContent?.includes(wanted),
    {},
    words,
  )
export const inStep = (page: Page) =>
  page.waitForFunction(() => document.querySelector('header [role="status"]')?.textContent === 'in step')

/** Reloads once the page can be opened without a network: it is kept for later once its worker is in charge of it. */
export async function kept(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await page.reload()
  await page.waitForSelector('[aria-label="Next step"]')
}

/** Begins and ends a step. */
export async function doStep(page: Page): Promise<void> {
  await press(page, 'Begin')
  await press(page, 'Done')
}

/** Somebody tells that steps were begun and done, on a device that no test looks at. */
export async function doneElsewhere(device: Device, runId: string, steps: readonly { id: string }[]): Promise<void> {
  const deviceId = newId()
  const told = steps.flatMap(({ id }) => [
    { kind: 'begun', stepId: id },
    { kind: 'done', stepId: id },
  ])
  const events = told.map((one, deviceSeq) => ({
    ...one,
    id: newId(),
    deviceId,
    deviceSeq,
    deviceTime: Date.now(),
    offsetMs: 0,
  }))
  expect((await device.call('POST', `/api/runs/${runId}/events`, { events, after: 0 })).status).toBe(200)
}

/**
 * Taps a button of the next step as soon as it can be tapped, unless another device was quicker; then waits for what
 * either tap comes to.
 */
export async function tap(page: Page, name: string, then: 'Now' | 'Next'): Promise<void> {
  await page.waitForFunction(
    (wanted, begins) => {
      const card = document.querySelector('[aria-label="Next step"]')!
      const button = [...card.querySelectorAll('button')].find(
        ({ textContent, disabled }) => textContent === wanted && !disabled,
      )
      button?.click()
      return button !== undefined || card.textContent?.startsWith(begins)
    },
    {},
    name,
    then,
  )
  await page.waitForFunction(
    (begins) => document.querySelector('[aria-label="Next step"]')?.textContent?.startsWith(begins),
    {},
    then,
  )
}
