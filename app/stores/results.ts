import { proxy, type Remote } from 'comlink'
import { yearFace } from '~/workers/yearFace'
import type { Weighed, Weighing } from '#core/options'
import type { Way } from '#core/moves'
import type {
  CatchYear,
  Cover,
  CoverPoint,
  FlushTrade,
  NowAndThen,
  PoolFigures,
  ShutEffect,
  SizePoint,
} from '#core/balance'
import type { Review } from '#core/review'
import type { ReferenceYears } from '#core/climate'
import type { Site } from '#core/site'
import type { Told, YearWorker } from '~/workers/year.worker'
import { usesIn, type UsesByYear } from '#core/questions'
import { turns } from '~/workers/pageTurns'
import type { Turn } from '~/workers/turns'
import { nextTask } from '~/workers/nextTask'
import { useSite } from '~/stores/site'

const SLOW_MS = 400

export type YearChoice = keyof ReferenceYears | number

/**
 * What the workers last said about the open site, keyed by its revision. A slow old answer never overwrites a newer
 * one.
 */
export const useResults = defineStore('results', () => {
  const store = useSite()
  /** What the groups of tanks hold; the years; what becomes of the roofs' water in a mean year; what was found. */
  const pools = shallowRef<PoolFigures[]>()
  const outlook = shallowRef<Extract<Told, { of: 'years' }>['outlook']>()
  /** What each use had in each year; of the year that is shown it is laid out. */
  const usesByYear = shallowRef<UsesByYear>()
  const roofYear = shallowRef<CatchYear>()
  const review = shallowRef<Review>()
  /** The revision that each of them speaks of. */
  const told = reactive({ outline: -1, years: -1, review: -1 })
  const failure = ref<string>()
  const choice = ref<YearChoice>('middle')
  const years = yearFace()
  /** What takes longer and matters less than the year is asked elsewhere, so that the year never waits for it. */
  const aside = yearFace()
  /** Share done of a computation that takes longer than a blink. */
  const progress = ref<number>()
  /** The revision that was asked about last, the turn in which it is, and the clock that says it takes long. */
  let asked = -1
  let turn: Turn | undefined
  let slow: ReturnType<typeof setTimeout> | undefined

  /** Ends whatever is being computed; the last answer stays, and is said to be old. */
  function stop(): void {
    years.stop()
    turn?.end()
    settle()
    failure.value = 'Stopped. The figures shown are from before the last change.'
  }
  function settle(): void {
    clearTimeout(slow)
    slow = undefined
    progress.value = undefined
  }

  /** Asks about the site as it stands, once what is more urgent is known. */
  function asideOf<Answer>(question: (face: Remote<YearWorker>, light: Site) => Promise<Answer>): Promise<Answer> {
    const site = store.site!
    return turns.inTurn('aside', async () => {
      const { face, light } = await aside.ready(site)
      return question(face, light)
    })
  }

  /** What a first-flush chamber keeps out and costs; undefined where no roof reaches it. */
  async function flush(chamberId: string): Promise<FlushTrade | undefined> {
    return asideOf((face, light) => face.flush(light, chamberId))
  }

  /** What follows from shutting a valve; nothing where none is asked about. */
  async function shut(partId: string | undefined): Promise<ShutEffect | undefined> {
    if (!partId) return undefined
    return asideOf((face, light) => face.shut(light, partId))
  }

  /** Short days as they are, and in a year in which a group holds nothing. */
  async function burst(poolId: string): Promise<NowAndThen | undefined> {
    return asideOf((face, light) => face.burst(light, poolId))
  }

  /** Days short against the size of one pool, over the same weather. */
  async function sizes(pool: string): Promise<SizePoint[] | undefined> {
    return asideOf((face, light) => face.sizes(light, pool))
  }

  /** How long the plan lasts without each thing that is said to fail; and other sizes of a pool against one's cuts. */
  async function covers(): Promise<Cover[]> {
    return asideOf((face, light) => face.covers(light))
  }
  async function coverSizes(outage: string, pool: string): Promise<CoverPoint[]> {
    return asideOf((face, light) => face.coverSizes(light, outage, pool))
  }

  /** The plan and its options side by side, by the option's id. */
  async function weighings(): Promise<{ now: Weighed; options: Map<string, Weighing> }> {
    const { options } = store.site!
    const said = await asideOf((face, light) => face.weighings(light))
    return { now: said.now, options: new Map(options.map(({ id }, at) => [id, said.options[at]!])) }
  }

  /** Each stage of the plan, weighed as if it were the whole of it. */
  async function stages(): Promise<Weighed[]> {
    return asideOf((face, light) => face.stages(light))
  }

  /** Ways of doing it that are not the plan's already; working them out means making them all. */
  async function ways(): Promise<Way[]> {
    return asideOf((face, light) => face.ways(light))
  }

  /** How far the work is once each stage of it is told. */
  const DONE = { outline: 0.2, years: 0.7, review: 1 }

  /** Asks about the site as it stands; what is still being worked out about an older one is dropped. */
  async function ask(): Promise<void> {
    if (!store.site) return
    const { revision } = store
    asked = revision
    let share = 0.05
    slow ??= setTimeout(() => (progress.value = share), SLOW_MS)
    const own = await turns.take('figures')
    if (!store.site) settle()
    if (asked !== revision || !store.site) return own.end()
    turn = own
    const hear = async (said: Told): Promise<boolean> => {
      // To take an answer in is work enough for one task, and to show it for another.
      await nextTask()
      share = DONE[said.of]
      if (progress.value !== undefined) progress.value = share
      if (revision > told[said.of]) takeIn(said, revision)
      if (asked === revision) await own.pass('years')
      return asked === revision
    }
    try {
      const { face, light } = years.now(store.site) ?? (await years.ready(store.site))
      await face.read(light, proxy(hear))
    } catch (error) {
      failure.value =
        `The year could not be computed: ${error instanceof Error ? error.message : 'unknown trouble'}. The ` +
        'figures shown are from before the last change.'
      told.outline = told.years = told.review = revision
    }
    own.end()
    if (asked === revision) settle()
  }
  function takeIn(said: Told, revision: number): void {
    told[said.of] = revision
    failure.value = undefined
    if (said.of === 'outline') pools.value = said.pools
    else if (said.of === 'years')
      [outlook.value, usesByYear.value, roofYear.value] = [said.outlook, said.uses, said.roofYear]
    else review.value = said.review
  }

  watch(
    () => store.site?.id,
    () => {
      pools.value = outlook.value = roofYear.value = review.value = undefined
      told.outline = told.years = told.review = -1
      choice.value = 'middle'
    },
  )
  // What was typed is shown before anything is asked about it: where processors are few, both would wait.
  watch(
    () => store.revision,
    () => void nextTask().then(ask),
    { flush: 'sync', immediate: true },
  )

  const yearIndex = computed(() => {
    const found = outlook.value
    if (!found) return 0
    return typeof choice.value === 'number'
      ? Math.min(choice.value, found.years.length - 1)
      : found.reference[choice.value]
  })
  const year = computed(() => {
    const found = outlook.value?.years[yearIndex.value]
    return found && { ...found, uses: usesByYear.value ? usesIn(usesByYear.value, yearIndex.value) : [] }
  })
  /** Whether the years, and what was found, speak of the site as it stands. */
  const fresh = computed(() => told.years === store.revision)
  const outlined = computed(() => told.outline === store.revision)
  const reviewed = computed(() => told.review === store.revision)

  return {
    pools,
    outlook,
    year,
    yearIndex,
    choice,
    outlined,
    fresh,
    reviewed,
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
    stages,
    ways,
  }
})
