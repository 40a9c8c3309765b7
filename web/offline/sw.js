// Keeps the app openable without network: the built files from a list made at build time, and the last answer
// to every question asked by GET. Words sent (taps, changes) are never answered from here.
const VERSION = '__VERSION__'
const FILES = '__FILES__'.split(' ')
const APP = `app ${VERSION}`
const ANSWERS = 'answers'
/** How many answers are kept; the oldest go first. */
const MOST_ANSWERS = 300

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(APP)
      .then((cache) => cache.addAll(['/', ...FILES]))
      .then(() => self.skipWaiting()),
  )
})

self.addEventListener('activate', (event) => {
  const drop = (names) => Promise.all(names.filter((n) => n !== APP && n !== ANSWERS).map((n) => caches.delete(n)))
  event.waitUntil(
    caches
      .keys()
      .then(drop)
      .then(() => self.clients.claim()),
  )
})

async function remember(request, response) {
  const cache = await caches.open(ANSWERS)
  await cache.put(request, response)
  const keys = await cache.keys()
  await Promise.all(keys.slice(0, Math.max(0, keys.length - MOST_ANSWERS)).map((k) => cache.delete(k)))
}

/** The network's answer, and kept; the last one kept when there is no network, marked as such. */
async function freshOrKept(event) {
  try {
    const response = await fetch(event.request)
    if (response.ok) event.waitUntil(remember(event.request, response.clone()))
    return response
  } catch (error) {
    const kept = await (await caches.open(ANSWERS)).match(event.request)
    if (!kept) throw error
    const headers = new Headers(kept.headers)
    headers.set('x-juvant-kept', 'yes')
    return new Response(kept.body, { status: kept.status, headers })
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  if (url.pathname.startsWith('/api/')) {
    const streams = request.headers.get('accept')?.includes('text/event-stream')
    if (!streams && !url.pathname.endsWith('.pdf')) event.respondWith(freshOrKept(event))
    return
  }
  if (request.mode === 'navigate') {
    event.respondWith(fetch(request).catch(() => caches.match('/')))
    return
  }
  event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)))
})
