import { useSite } from '~/stores/site'
import { watchDebounced } from '@vueuse/core'

/** While someone types, the figures come first; what is asked here waits for a pause. */
const QUIET_MS = 250

/**
 * What a worker says about the open site, asked again once it has answered and the site has changed: never two
 * questions at a time, always the newest one next. One that fails leaves the last answer, and says so in `failure`,
 * which is shown where the answer would stand. `fresh` says whether the answer speaks of the site as it stands now.
 */
export function useWorkerAnswer<Answer>(subject: () => unknown, ask: () => Promise<Answer>) {
  const store = useSite()
  const answer = shallowRef<Answer>()
  const failure = ref<string>()
  const answeredRevision = ref(-1)
  const fresh = computed(() => answeredRevision.value === store.revision)
  let [busy, stale, gone] = [false, false, false]
  async function next(): Promise<void> {
    if (busy || !store.site) return void (stale = true)
    busy = true
    stale = false
    const { revision } = store
    try {
      const said = await ask()
      if (gone) return
      if (said !== undefined || !stale) [answer.value, answeredRevision.value] = [said, revision]
      failure.value = undefined
    } catch (error) {
      failure.value = error instanceof Error && error.message ? error.message : 'the worker stopped'
    }
    busy = false
    if (stale && !gone) void next()
  }
  watchDebounced([() => store.revision, subject], next, { debounce: QUIET_MS, immediate: true })
  onScopeDispose(() => (gone = true))
  return { answer, fresh, failure, again: next }
}
