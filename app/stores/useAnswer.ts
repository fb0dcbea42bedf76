import { useSite } from '~/stores/site'
import { watchDebounced } from '@vueuse/core'
import { ask } from '~/engine/engine'
import { QUESTION_ROWS, type AnswerOf, type ArgsOf, type QuestionName } from '#core/questions'
import type { Site } from '#core/site'

/** While someone types, the figures come first; what is asked here waits for a pause. */
const QUIET_MS = 250

/**
 * What a question says of the open site, asked again once it is answered and something that it reads has changed: never
 * two at a time, always the newest one next. One that fails leaves the last answer, and says so in `failure`, which is
 * shown where the answer would stand. `fresh` says whether the answer speaks of the site as it stands now.
 * @param args what the question takes beside the site; nothing is asked where they are undefined
 */
export function useAnswer<Name extends QuestionName>(name: Name, args: () => ArgsOf<Name> | undefined) {
  const store = useSite()
  const { of } = QUESTION_ROWS[name]
  const answer = shallowRef<AnswerOf<Name>>()
  const failure = ref<string>()
  /** What the answer speaks of. */
  const answered = shallowRef<{ site: Site; key: string }>()
  const key = () => JSON.stringify(args())
  const speaksOf = (site: Site | undefined): boolean =>
    site !== undefined &&
    answered.value !== undefined &&
    answered.value.key === key() &&
    of.every(part => toRaw(answered.value!.site[part]) === toRaw(site[part]))
  const fresh = computed(() => speaksOf(store.site))
  let [busy, stale, gone] = [false, false, false]

  async function next(): Promise<void> {
    const { site } = store
    if (busy || !site) return void (stale = true)
    stale = false
    if (!failure.value && speaksOf(site)) return
    busy = true
    const [asked, own] = [args(), key()]
    try {
      const said = asked && (await ask(name, toRaw(site), asked))
      if (gone) return
      if (said !== undefined || !stale) answer.value = said
      answered.value = { site, key: own }
      failure.value = undefined
    } catch (error) {
      failure.value = error instanceof Error && error.message ? error.message : 'the thread stopped'
    }
    busy = false
    if (stale && !gone) void next()
  }
  watchDebounced([() => store.site, key], next, { debounce: QUIET_MS, immediate: true })
  onScopeDispose(() => (gone = true))
  return { answer, fresh, failure, again: next }
}
