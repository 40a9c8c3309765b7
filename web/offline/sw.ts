import { clientsClaim } from 'workbox-core'
import {
  createHandlerBoundToURL,
  cleanupOutdatedCaches,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching'
import { ExpirationPlugin } from 'workbox-expiration'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { NetworkFirst } from 'workbox-strategies'
import { isKeptOffline } from '@contract/rows'

declare const self: {
  __WB_MANIFEST: (PrecacheEntry | string)[]
  skipWaiting(): Promise<void>
  addEventListener(type: 'message', heard: (event: MessageEvent<{ type?: string } | null>) => void): void
  addEventListener(type: 'activate', heard: (event: { waitUntil(work: Promise<unknown>): void }) => void): void
}

/** How many answers are kept; those asked for longest ago go first. */
const MOST_ANSWERS = 300
/** Says of an answer that it is the one last fetched. */
const KEPT_HEADER = 'x-juvant-kept'

// the built files, so that every view opens without network
precacheAndRoute(self.__WB_MANIFEST)
cleanupOutdatedCaches()
clientsClaim()
registerRoute(new NavigationRoute(createHandlerBoundToURL('index.html'), { denylist: [/^\/api\//] }))

/** Answers that are kept for when there is no network: those that the table of endpoints says, and no other. */
const isReading = ({ url, request }: { url: URL; request: Request }) =>
  url.origin === location.origin && request.method === 'GET' && isKeptOffline(url.pathname)

// what was last read, for when there is no network, marked as such
registerRoute(
  isReading,
  new NetworkFirst({
    cacheName: 'answers',
    plugins: [
      new ExpirationPlugin({ maxEntries: MOST_ANSWERS }),
      {
        cachedResponseWillBeUsed: ({ cachedResponse: kept }) => {
          if (!kept) return Promise.resolve(kept)
          const headers = new Headers(kept.headers)
          headers.set(KEPT_HEADER, 'yes')
          return Promise.resolve(new Response(kept.body, { status: kept.status, headers }))
        },
      },
    ],
  }),
)

// a newer version waits until this window's user takes it: what is open goes on with its own files
self.addEventListener('message', ({ data }) => {
  if (data?.type === 'SKIP_WAITING') void self.skipWaiting()
})

/** Copies that versions before this way of keeping them made. */
const OLD_COPIES = /^app /
self.addEventListener('activate', (event) => {
  const drop = (names: string[]) => Promise.all(names.filter((n) => OLD_COPIES.test(n)).map((n) => caches.delete(n)))
  event.waitUntil(caches.keys().then(drop))
})
