/**
 * The app without a server: its own files, all of one build, and its shell for whatever page is asked for. Answers of
 * the API are kept by the page itself (`composables/kept.ts`); nothing here sees them.
 */
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string, revision: string | null }[] }

const SHELL = 'lumbik-shell'
/** A server that does not answer within this is away, ms. */
const PATIENCE_MS = 3000

cleanupOutdatedCaches()
precacheAndRoute(self.__WB_MANIFEST)

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(SHELL).then(c => c.add(new Request('/', { cache: 'reload' }))))
})
// A new version waits until somebody presses; it takes over the pages that are open then.
self.addEventListener('message', (event) => {
  if ((event.data as { type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting()
})
self.addEventListener('activate', event => event.waitUntil(self.clients.claim()))

registerRoute(new NavigationRoute(async ({ request }) => {
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) })
    if (answer.ok) return answer
  } catch {
    // Away: the shell says so itself.
  }
  return (await caches.match('/', { cacheName: SHELL })) ?? Response.error()
}, { denylist: [/^\/api\//] }))
