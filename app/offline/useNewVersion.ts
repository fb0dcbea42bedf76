/** A newer version that waits: undefined while there is none; it is taken by calling it, and the page loads anew. */
const take = shallowRef<() => Promise<void>>()
export const useNewVersion = () => take

/** The page is in use first; what works without a network is fetched once it has stood for a while. */
const AFTER_MS = 8000

/** Begins to keep the app itself on this machine, where the browser allows it. */
export function keepApp(): void {
  if (!('serviceWorker' in navigator) || import.meta.dev) return
  setTimeout(() => {
    void import('virtual:pwa-register').then(({ registerSW }) => {
      const update = registerSW({ onNeedRefresh: () => (take.value = () => update(true)) })
    })
  }, AFTER_MS)
}
