import { callApi, pauseSending } from './api'
import { markOpened } from './useLock'

/** Pages of visits that this device keeps for an hour without a network; see public/chair-worker.js. */
const KEPT_PAGES = 'falto-chair-'

/**
 * Comes in by one of the doors. Until the page is read anew nothing goes out that somebody else had left on it.
 * @returns whether a second factor is asked for first
 * @throws ApiError, OfflineError
 */
export async function comeIn(path: string, body: object): Promise<{ asksCode: boolean }> {
  pauseSending(true)
  let asksCode = true
  try {
    const { twoFactorRedirect } = await callApi<{ twoFactorRedirect?: boolean }>(path, 'POST', body)
    asksCode = twoFactorRedirect === true
  } finally {
    // Nobody is in yet.
    if (asksCode) pauseSending(false)
  }
  if (!asksCode) markOpened()
  return { asksCode }
}

/** Signs out, and leaves nothing on the device that somebody else could open. Unsent work stays, for who did it. */
export async function leaveDevice(): Promise<void> {
  await callApi('/api/auth/sign-out', 'POST', {})
  await forgetPages()
}

async function forgetPages(): Promise<void> {
  // Only secure pages keep any.
  if (!('caches' in window)) return
  const names = (await caches.keys()).filter((name) => name.startsWith(KEPT_PAGES))
  for (const name of names) {
    const cache = await caches.open(name)
    const visits = (await cache.keys()).filter(({ url }) => new URL(url).pathname.startsWith('/runs/'))
    await Promise.all(visits.map((request) => cache.delete(request)))
  }
}
