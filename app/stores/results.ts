import { proxy } from 'comlink'
import { yearFace } from '~/workers/yearFace'
import type { Weighed, Weighing } from '#core/options'
import type { Way } from '#core/moves'
import type { Cover, CoverPoint, FlushTrade, NowAndThen, ShutEffect, SizePoint } from '#core/balance'
import type { ReferenceYears } from '#core/climate'
import type { Answer } from '~/workers/year.worker'
import { useSite } from '~/stores/site'

const SLOW_MS = 400

export type YearChoice = keyof ReferenceYears | number

/**
 * What the workers last said about the open site, keyed by its revision. A slow old answer never overwrites a newer
 * one.
 */
export const useResults = defineStore('results', () => {
  const store = useSite()
  const answer = shallowRef<Answer>()
  const outlook = computed(() => answer.value?.outlook)
  /** What was found amiss, and sound; of the last answer. */
  const review = computed(() => answer.value?.review)
  /** What becomes of the roofs' water in a mean year. */
  const roofYear = computed(() => answer.value?.roofYear)
  const answeredRevision = ref(-1)
  const failure = ref<string>()
  const choice = ref<YearChoice>('middle')
  const years = yearFace()
  /** What takes longer and matters less than the year is asked elsewhere, so that the year never waits for it. */
  const aside = yearFace()
  /** Share done of a computation that takes longer than a blink. */
  const progress = ref<number>()
  let busy = false

  /** Ends whatever is being computed; the last answer stays, and is said to be old. */
  function stop(): void {
    years.stop()
    busy = false
    progress.value = undefined
    failure.value = 'Stopped. The figures shown are from before the last change.'
  }

  /** What a first-flush chamber keeps out and costs; undefined where no roof reaches it. */
  async function flush(chamberId: string): Promise<FlushTrade | undefined> {
    const { face, light } = await aside.ready(store.site!)
    return face.flush(light, chamberId)
  }

  /** What follows from shutting a valve; nothing where none is asked about. */
  async function shut(partId: string | undefined): Promise<ShutEffect | undefined> {
    if (!partId) return undefined
    const { face, light } = await aside.ready(store.site!)
    return face.shut(light, partId)
  }

  /** Short days as they are, and in a year in which a group holds nothing. */
  async function burst(poolId: string): Promise<NowAndThen | undefined> {
    const { face, light } = await aside.ready(store.site!)
    return face.burst(light, poolId)
  }

  /** Days short against the size of one pool, over the same weather. */
  async function sizes(pool: string): Promise<SizePoint[] | undefined> {
    const { face, light } = await aside.ready(store.site!)
    return face.sizes(light, pool)
  }

  /** How long the plan lasts without each thing that is said to fail; and other sizes of a pool against one's cuts. */
  async function covers(): Promise<Cover[]> {
    const { face, light } = await aside.ready(store.site!)
    return face.covers(light)
  }
  async function coverSizes(outage: string, pool: string): Promise<CoverPoint[]> {
    const { face, light } = await aside.ready(store.site!)
    return face.coverSizes(light, outage, pool)
  }

  /** The plan and its options side by side, by the option's id. */
  async function weighings(): Promise<{ now: Weighed; options: Map<string, Weighing> }> {
    const { options } = store.site!
    const { face, light } = await aside.ready(store.site!)
    const said = await face.weighings(light)
    return { now: said.now, options: new Map(options.map(({ id }, at) => [id, said.options[at]!])) }
  }

  /** Ways of doing it that are not the plan's already; working them out means making them all. */
  async function ways(): Promise<Way[]> {
    const { face, light } = await aside.ready(store.site!)
    return face.ways(light)
  }

  async function ask(): Promise<void> {
    if (busy || !store.site) return
    busy = true
    const revision = store.revision
    let share = 0
    const slow = setTimeout(() => (progress.value = share), SLOW_MS)
    try {
      const { face, light } = years.now(store.site) ?? (await years.ready(store.site))
      const said = await face.read(
        light,
        proxy((done: number) => {
          share = done
          if (progress.value !== undefined) progress.value = done
        }),
      )
      if (revision > answeredRevision.value) {
        answer.value = said
        answeredRevision.value = revision
        failure.value = undefined
      }
    } catch (error) {
      failure.value =
        `The year could not be computed: ${error instanceof Error ? error.message : 'unknown trouble'}. The ` +
        'figures shown are from before the last change.'
      answeredRevision.value = revision
    }
    clearTimeout(slow)
    progress.value = undefined
    busy = false
    if (store.site && store.revision !== revision) void ask()
  }

  watch(
    () => store.site?.id,
    () => {
      answer.value = undefined
      answeredRevision.value = -1
      choice.value = 'middle'
    },
  )
  watch(
    () => store.revision,
    () => void ask(),
    { flush: 'sync', immediate: true },
  )

  const yearIndex = computed(() => {
    const found = outlook.value
    if (!found) return 0
    return typeof choice.value === 'number'
      ? Math.min(choice.value, found.years.length - 1)
      : found.reference[choice.value]
  })
  const year = computed(() => outlook.value?.years[yearIndex.value])
  const fresh = computed(() => answeredRevision.value === store.revision)

  return {
    outlook,
    year,
    yearIndex,
    choice,
    fresh,
    failure,
    progress,
    review,
    roofYear,
    stop,
    ask,
    flush,
    sizes,
    shut,
    burst,
    covers,
    coverSizes,
    weighings,
    ways,
  }
})
