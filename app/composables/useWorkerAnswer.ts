import { watchDebounced } from '@vueuse/core'

/** While someone types, the figures come first; what is asked here waits for a pause. */
const QUIET_MS = 250

/**
 * What a worker says about the open site, asked again once it has answered and the site has changed: never two questions at a time, always
 * the newest one next. A failed one leaves the last answer.
 */
export function useWorkerAnswer<Answer>(subject: () => unknown, ask: () => Promise<Answer>) {
  const open = useSite()
  const answer = shallowRef<Answer>()
  let [busy, stale, gone] = [false, false, false]
  async function next(): Promise<void> {
    if (busy || !open.site) return void (stale = true)
    busy = true
    stale = false
    const said = await ask().catch(() => undefined)
    busy = false
    if (gone) return
    if (said !== undefined || !stale) answer.value = said
    if (stale) void next()
  }
  watchDebounced([() => open.revision, subject], next, { debounce: QUIET_MS, immediate: true })
  onScopeDispose(() => gone = true)
  return answer
}
