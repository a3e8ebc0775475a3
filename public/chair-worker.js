// Opens pages of visits without a network: pages and what they are made of are kept when they are fetched, and given
// from there when nothing answers, or only that it cannot. Everything else goes to the network as ever; what is told at
// the chair waits in the page's own store.
//
// Registered as chair-worker.js?build=NAME: what an older build left is dropped when a newer one takes over.
const FAMILY = 'falto-chair-'
const KEPT = FAMILY + (new URL(self.location.href).searchParams.get('build') ?? 'unnamed')

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(takeOver()))

self.addEventListener('fetch', (event) => {
  const { request } = event
  const { origin, pathname } = new URL(request.url)
  if (request.method !== 'GET' || origin !== self.location.origin) return
  // Files of a build carry their content in their name, so what is kept never grows old.
  if (pathname.startsWith('/_next/static/')) event.respondWith(keptFirst(request))
  else if (request.mode === 'navigate' && pathname.startsWith('/runs/')) event.respondWith(networkFirst(request))
})

async function takeOver() {
  const names = await caches.keys()
  await Promise.all(names.filter((name) => name.startsWith(FAMILY) && name !== KEPT).map((name) => caches.delete(name)))
  await self.clients.claim()
}

async function keptFirst(request) {
  const cache = await caches.open(KEPT)
  const kept = await cache.match(request)
  return underItsOwnAddress(kept ?? (await fetchAndKeep(request)))
}

// A server that fails, or a proxy without one behind it, is no more use at the chair than no network.
async function networkFirst(request) {
  const answer = await fetchAndKeep(request).catch(() => Response.error())
  if (answer.type !== 'error' && answer.status < 500) return answer
  const cache = await caches.open(KEPT)
  return (await cache.match(request, { ignoreVary: true })) ?? answer
}

async function fetchAndKeep(request) {
  const response = await fetch(request)
  if (response.ok && !response.redirected) {
    const cache = await caches.open(KEPT)
    await cache.put(request, response.clone())
  }
  return response
}

// One script serves several web workers, told apart by what stands behind # in the address. A kept answer has lost that
// part, and a worker started from it would not know what it is. An answer made here has no address of its own, so the
// worker keeps the one it was asked for under.
const underItsOwnAddress = ({ body, status, statusText, headers }) =>
  new Response(body, { status, statusText, headers })
