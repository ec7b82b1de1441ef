/// <reference lib="webworker" />
import { NavigationRoute, NetworkFirst, Serwist, type PrecacheEntry } from 'serwist'

declare const self: ServiceWorkerGlobalScope & { __SW_MANIFEST: (PrecacheEntry | string)[] }

/**
 * A worker's settings travel in the fragment of its address, which a stored response would replace by its own: what is
 * answered here has no address of its own.
 */
self.addEventListener('fetch', (event) => {
  if (!new URL(event.request.url).pathname.includes('/turbopack-worker-')) return
  const answer = async () => {
    const { body, status, headers } =
      (await caches.match(event.request, { ignoreSearch: true })) ?? (await fetch(event.request))
    return new Response(body, { status, headers })
  }
  event.respondWith(answer())
})

let breakOff: (why: unknown) => void
const brokenOff = new Promise<never>((_, reject) => (breakOff = reject))
// A file that does not come later on, when all are there, breaks off nothing.
brokenOff.catch(() => undefined)

/**
 * The library waits for ever for a file that did not come, and the browser with it. So it waits no longer than until one
 * fails: what came is kept, and the page tries again. Heard before the library's own listener, which gets the same event.
 */
self.addEventListener('install', (event) => {
  const wait = event.waitUntil.bind(event)
  event.waitUntil = (all) => wait(Promise.race([all, brokenOff]))
})

/**
 * The app on this device: every file of one release, and its pages, as they were when the release was taken. A new one waits
 * until the person takes it; jobs are not here but in the browser's own database.
 */
const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: {
    cleanupOutdatedCaches: true,
    plugins: [{ handlerDidError: ({ error }) => (breakOff(error), Promise.resolve(undefined)) }],
  },
  skipWaiting: false,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname === '/api/library',
      handler: new NetworkFirst({ cacheName: 'gate-cross-library', networkTimeoutSeconds: 4 }),
    },
  ],
})
// A single page serves every job; it reads the job's name from its address.
serwist.registerRoute(
  new NavigationRoute(serwist.createHandlerBoundToUrl('/job/-'), { allowlist: [/^\/job\/[^/]+(\/[^/]*)?$/] }),
)
serwist.addEventListeners()
