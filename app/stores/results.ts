import { ask as askEngine } from '~/engine/engine'
import { nextTask } from '~/engine/nextTask'
import { useSite } from '~/stores/site'
import { QUESTION_ROWS, usesIn, type AnswerOf } from '#core/questions'
import type { CatchYear, PoolFigures } from '#core/balance'
import type { Review } from '#core/review'
import type { ReferenceYears } from '#core/climate'
import type { Site } from '#core/site'

const SLOW_MS = 400

export type YearChoice = keyof ReferenceYears | number

/** What is asked of every document, one after another, and how far the work is once each is told. */
const ASKED = ['outline', 'years', 'review'] as const
type Asked = (typeof ASKED)[number]
const DONE: Record<Asked, number> = { outline: 0.2, years: 0.7, review: 1 }

/** What was last answered of the open site. An answer to an older question never stands over that to a newer one. */
export const useResults = defineStore('results', () => {
  const store = useSite()
  /** What the groups of tanks hold; the years; what was found. */
  const pools = shallowRef<PoolFigures[]>()
  const outlook = shallowRef<AnswerOf<'years'>>()
  const review = shallowRef<Review>()
  /** What becomes of the roofs' water in a mean year. */
  const roofYear = computed<CatchYear | undefined>(() => outlook.value?.roofYear)
  /** The revision that each answer speaks of, and the document that it is of. */
  const told = reactive<Record<Asked, number>>({ outline: -1, years: -1, review: -1 })
  const of: Partial<Record<Asked, Site>> = {}
  const failure = ref<string>()
  const choice = ref<YearChoice>('middle')
  /** Share done of a computation that takes longer than a blink. */
  const progress = ref<number>()
  /** The revision that was asked about last, the clock that says it takes long, and what ends the work. */
  let asked = -1
  let slow: ReturnType<typeof setTimeout> | undefined
  let work = new AbortController()

  function settle(): void {
    clearTimeout(slow)
    slow = undefined
    progress.value = undefined
  }
  /** Ends whatever is being computed; the last answer stays, and is said to be old. */
  function stop(): void {
    asked = -1
    work.abort()
    work = new AbortController()
    settle()
    failure.value = 'Stopped. The figures shown are from before the last change.'
  }

  /** Whether what was answered last holds of a site too: nothing that the question reads has changed. */
  const holds = (name: Asked, site: Site): boolean =>
    of[name] !== undefined && QUESTION_ROWS[name].of.every(part => toRaw(of[name]![part]) === toRaw(site[part]))

  /** Asks about the site as it stands; what still waits of an older one is dropped. */
  async function ask(): Promise<void> {
    const { revision } = store
    const site = toRaw(store.site)
    if (!site) return
    asked = revision
    const { signal } = work
    let share = 0.05
    slow ??= setTimeout(() => (progress.value = share), SLOW_MS)
    try {
      for (const name of ASKED) {
        if (!holds(name, site)) {
          const answer = await askEngine(name, site, {}, { signal })
          // To take an answer in is work enough for one task, and to show it for another.
          await nextTask()
          if (revision >= told[name] && store.site?.id === site.id) takeIn(name, answer, site)
        }
        if (revision > told[name]) told[name] = revision
        if (asked !== revision) return
        share = DONE[name]
        if (progress.value !== undefined) progress.value = share
      }
    } catch (error) {
      if (signal.aborted || asked !== revision) return
      failure.value =
        `The year could not be computed: ${error instanceof Error ? error.message : 'unknown trouble'}. The ` +
        'figures shown are from before the last change.'
      for (const name of ASKED) told[name] = revision
    }
    if (asked === revision) settle()
  }
  function takeIn(name: Asked, answer: AnswerOf<Asked>, site: Site): void {
    of[name] = site
    failure.value = undefined
    if (name === 'outline') pools.value = answer as AnswerOf<'outline'>
    else if (name === 'years') outlook.value = answer as AnswerOf<'years'>
    else review.value = answer as AnswerOf<'review'>
  }

  watch(
    () => store.site?.id,
    () => {
      pools.value = outlook.value = review.value = undefined
      for (const name of ASKED) {
        told[name] = -1
        of[name] = undefined
      }
      if (!store.site) settle()
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
    const found = outlook.value
    const shown = found?.years[yearIndex.value]
    return found && shown && { ...shown, uses: usesIn(found.usesByYear, yearIndex.value) }
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
  }
})
