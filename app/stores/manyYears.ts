import type { Site } from '#core/site'
import { readTally, type Ensemble } from '#core/balance'
import { tallyOf } from '~/engine/ensemble'
import { useSite } from '~/stores/site'

const YEARS_EACH = 30
const MADE_FROM = ['roofs', 'nodes', 'runs', 'uses', 'climate', 'place', 'standards'] as const satisfies (keyof Site)[]

/**
 * What many made-up years say of the open site. They are run when someone asks; an old answer stays, and is known to
 * be old.
 */
export const useManyYears = defineStore('manyYears', () => {
  const store = useSite()
  const answer = shallowRef<Ensemble>()
  const answeredFor = shallowRef<Site>()
  const progress = ref<number>()
  const took = ref(0)
  const failure = ref<string>()
  let run = new AbortController()

  async function ask(members: number): Promise<void> {
    if (!store.site) return
    stop()
    const [site, started, { signal }] = [store.site, performance.now(), run]
    progress.value = 0
    failure.value = undefined
    try {
      const tally = await tallyOf(toRaw(site), {
        members,
        years: YEARS_EACH,
        signal,
        tell: share => !signal.aborted && (progress.value = share),
      })
      if (signal.aborted) return
      answer.value = readTally(tally)
      answeredFor.value = site
      took.value = performance.now() - started
    } catch (error) {
      if (signal.aborted) return
      failure.value = `The years could not be run: ${error instanceof Error ? error.message : 'unknown trouble'}.`
    }
    progress.value = undefined
  }

  /** Ends the run; the last answer stays. */
  function stop(): void {
    if (progress.value === undefined) return
    run.abort()
    run = new AbortController()
    progress.value = undefined
  }

  watch(
    () => store.site?.id,
    () => {
      stop()
      answer.value = undefined
    },
  )
  /** What the years are made from is as it was; a name, or another way set beside the plan, makes no answer old. */
  const fresh = computed(() => MADE_FROM.every(part => answeredFor.value?.[part] === store.site?.[part]))
  return { answer, fresh, progress, took, failure, ask, stop }
})
