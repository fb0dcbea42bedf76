import { proxy, wrap, type Remote } from 'comlink'
import type { YearWorker } from '~/workers/year.worker'
import { catchYear, type FlushTrade, type Outlook } from '#core/balance'
import { review } from '#core/review'
import type { Climate, Site } from '#core/site'
import { useSite } from './site'

const SLOW_MS = 400

export type YearChoice = 'typical' | 'worst' | number

/** What the workers last said about the open site, keyed by its revision. A slow old answer never overwrites a newer one. */
export const useResults = defineStore('results', () => {
  const open = useSite()
  const outlook = shallowRef<Outlook & { rainMm: Float64Array }>()
  const answeredRevision = ref(-1)
  const failure = ref<string>()
  const choice = ref<YearChoice>('typical')
  const readings = computed(() => open.site && review(open.site))
  /** What becomes of the roofs' water in a mean year. */
  const roofYear = computed(() => open.site && catchYear(open.site))

  let worker: Worker | undefined
  let remote: Remote<YearWorker> | undefined
  let sentRecord: Climate['daily']
  /** Share done of a computation that takes longer than a blink. */
  const progress = ref<number>()
  let busy = false

  function start(): Remote<YearWorker> {
    if (!remote) {
      worker = new Worker(new URL('../workers/year.worker.ts', import.meta.url), { type: 'module' })
      remote = wrap<YearWorker>(worker)
      sentRecord = undefined
    }
    return remote
  }

  /** Ends whatever is being computed; the last answer stays, and is said to be old. */
  function stop(): void {
    worker?.terminate()
    worker = undefined
    remote = undefined
    busy = false
    progress.value = undefined
    failure.value = 'Stopped. The figures shown are from before the last change.'
  }

  /** The worker with the site's record in hand, and the site without it: the record goes over once. */
  async function ready(site: Site): Promise<{ face: Remote<YearWorker>, light: Site }> {
    const { daily, ...climate } = site.climate
    const face = start()
    if (daily !== sentRecord) {
      await face.setRecord(daily ? toRaw(daily) : undefined)
      sentRecord = daily
    }
    return { face, light: { ...site, climate } }
  }

  /** What a first-flush chamber keeps out and costs; undefined where no roof reaches it or the worker was stopped. */
  async function flush(chamberId: string): Promise<FlushTrade | undefined> {
    if (!open.site) return undefined
    const { face, light } = await ready(open.site)
    return face.flush(light, chamberId)
  }

  async function ask(): Promise<void> {
    if (busy || !open.site) return
    busy = true
    const revision = open.revision
    let share = 0
    const slow = setTimeout(() => progress.value = share, SLOW_MS)
    try {
      const { face, light } = await ready(open.site)
      const answer = await face.outlook(light, proxy((done: number) => {
        share = done
        if (progress.value !== undefined) progress.value = done
      }))
      if (revision > answeredRevision.value) {
        outlook.value = answer
        answeredRevision.value = revision
        failure.value = undefined
      }
    }
    catch (error) {
      failure.value = `The year could not be computed: ${error instanceof Error ? error.message : 'unknown trouble'}. The figures shown are from before the last change.`
      answeredRevision.value = revision
    }
    clearTimeout(slow)
    progress.value = undefined
    busy = false
    if (open.site && open.revision !== revision) void ask()
  }

  watch(() => open.site?.id, () => {
    outlook.value = undefined
    answeredRevision.value = -1
    choice.value = 'typical'
  })
  watch(() => open.revision, () => void ask(), { flush: 'sync', immediate: true })

  const yearIndex = computed(() => {
    const found = outlook.value
    if (!found) return 0
    return choice.value === 'typical' ? found.typical : choice.value === 'worst' ? found.worst : Math.min(choice.value, found.years.length - 1)
  })
  const year = computed(() => outlook.value?.years[yearIndex.value])
  const fresh = computed(() => answeredRevision.value === open.revision)

  return { outlook, year, yearIndex, choice, fresh, failure, progress, readings, roofYear, stop, ask, flush }
})
