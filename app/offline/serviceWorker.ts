import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'
import { registerRoute } from 'workbox-routing'

/**
 * What answers without a network: the app's files from what is kept, a page from the server while that answers. A newer
 * version waits until somebody takes it. It is bundled by itself, with the list of files of the build.
 */
declare const KEPT_FILES: { url: string; revision: string | null }[]

/** A server that has not answered by then is as good as none, ms. */
const PATIENCE_MS = 5000

precacheAndRoute(KEPT_FILES)
cleanupOutdatedCaches()
registerRoute(
  ({ request }) => request.mode === 'navigate',
  async ({ request }) => {
    const patience = new Promise<undefined>(done => setTimeout(done, PATIENCE_MS, undefined))
    const answer = await Promise.race([fetch(request), patience]).catch(() => undefined)
    if (answer && answer.status < 500) return answer
    return (await caches.match('/', { ignoreSearch: true })) ?? Response.error()
  },
)
self.addEventListener('message', ({ data }: MessageEvent<{ type?: string } | undefined>) => {
  // The scope of a service worker is no window, which the types of a page do not know.
  if (data?.type === 'SKIP_WAITING') (self as unknown as { skipWaiting: () => void }).skipWaiting()
})
