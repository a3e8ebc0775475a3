// Opens pages of visits without a network: pages and what they are made of are kept when they are fetched, and given
// from there when nothing answers. Everything else goes to the network as ever; what is told at the chair waits in the
// page's own store.
const KEPT = 'falto-chair-1'

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

self.addEventListener('fetch', (event) => {
  const { request } = event
  const { origin, pathname } = new URL(request.url)
  if (request.method !== 'GET' || origin !== self.location.origin) return
  // Files of a build carry their content in their name, so what is kept never grows old.
  if (pathname.startsWith('/_next/static/')) event.respondWith(keptFirst(request))
  else if (request.mode === 'navigate' && pathname.startsWith('/runs/')) event.respondWith(networkFirst(request))
})

async function keptFirst(request) {
  const kept = await caches.match(request)
  return kept ?? fetchAndKeep(request)
}

async function networkFirst(request) {
  try {
    return await fetchAndKeep(request)
  } catch (error) {
    const kept = await caches.match(request, { ignoreVary: true })
    if (kept) return kept
    throw error
  }
}

async function fetchAndKeep(request) {
  const response = await fetch(request)
  if (response.ok && !response.redirected) {
    const cache = await caches.open(KEPT)
    await cache.put(request, response.clone())
  }
  return response
}
