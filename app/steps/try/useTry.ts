import { useSite } from '~/stores/site'
import { plantThread } from '~/engine/plants'
import type { Look } from '~/engine/faces/plants'
import type { Command, PlantEvent, PlantStart, PlantView, Script, ScriptStep } from '#core/plant'
import type { Site } from '#core/site'

/** Seconds of the plant for each of the clock's. */
export const SPEEDS = [
  { value: 1, name: 'real time' },
  { value: 60, name: 'a minute a second' },
  { value: 600, name: '10 minutes a second' },
  { value: 3600, name: 'an hour a second' },
  { value: 86400, name: 'a day a second' },
]
/** A look every so often is enough to be seen to move, and leaves the page its frames. */
const LOOK_MS = 100
const [STEP_S, KEPT_LOOKS, KEPT_EVENTS] = [60, 2000, 400]

/** One plant that is played, whatever is shown of it. */
const view = shallowRef<PlantView>()
const events = shallowRef<PlantEvent[]>([])
/** How it stood at each look: for the strips. */
const course = shallowRef<PlantView[]>([])
const playing = ref(false)
const speed = ref(60)
const failure = ref<string>()
/** What was done of itself, for who watches. */
const notice = ref<string>()
/** Seconds after midnight at which it began, and what is to be done when. */
const clockS = ref(7 * 3600)
const script = shallowRef<{ name: string; steps: ScriptStep[]; next: number; untilS: number }>()
const thread = plantThread('played')
let of: Site | undefined
let busy = false
let timer: ReturnType<typeof setInterval> | undefined
let last = 0

/** What a plant reads of a document: with nothing of it changed, notes and names leave it running. */
const sameWorks = (one: Site, two: Site): boolean =>
  one.id === two.id &&
  (['nodes', 'runs', 'roofs', 'uses', 'climate', 'place'] as const).every(part => one[part] === two[part])

function heard({ view: now, events: new_, trouble }: Look): void {
  view.value = now
  if (new_.length) events.value = [...events.value, ...new_].slice(-KEPT_EVENTS)
  course.value = [...course.value, now].slice(-KEPT_LOOKS)
  failure.value = trouble
}
async function asked(question: () => Promise<Look>): Promise<void> {
  busy = true
  try {
    heard(await question())
  } catch (error) {
    playing.value = false
    failure.value = error instanceof Error ? error.message : 'The plant stopped.'
  }
  busy = false
}

export function useTry() {
  const store = useSite()

  /** Begins anew with the site as it is now. */
  async function begin(start: PlantStart = {}, named?: Pick<Script, 'name' | 'steps' | 'seconds'>): Promise<void> {
    pause()
    of = store.site!
    notice.value = undefined
    clockS.value = start.clockS ?? 7 * 3600
    events.value = []
    course.value = []
    script.value = named && { name: named.name, steps: named.steps, next: 0, untilS: named.seconds }
    await asked(() => thread.ask(plants => plants.start(thread.light(of!), start)))
    await doDue()
  }
  /** The plant of the open site; where what stands in it has changed, it begins anew and says so. */
  async function ready(): Promise<void> {
    const site = store.site!
    if (view.value && of && sameWorks(of, site)) return
    const changed = view.value !== undefined && of?.id === site.id && view.value.atS > 0
    await begin()
    notice.value = changed ? 'The plan has changed, so the plant has begun anew with it.' : undefined
  }
  /** Steps of the script whose time has come. */
  async function doDue(): Promise<void> {
    const playing_ = script.value
    if (!playing_ || !view.value) return
    const due: Command[] = []
    let { next } = playing_
    while (next < playing_.steps.length && playing_.steps[next]!.atS <= view.value.atS + 1e-6)
      due.push(playing_.steps[next++]!)
    if (!due.length) return
    script.value = { ...playing_, next }
    await asked(() => thread.ask(plants => plants.act(due.map(plain))))
  }
  const plain = (doing: Command): Command => ({ ...toRaw(doing) })

  /** On by so many seconds, stopping where the script has something to do. */
  async function on(seconds: number): Promise<void> {
    if (busy || !view.value) return
    let untilS = view.value.atS + seconds
    const named = script.value
    if (named) {
      const dueS = named.steps[named.next]?.atS ?? Infinity
      untilS = Math.min(untilS, Math.max(view.value.atS + 0.001, dueS), Math.max(named.untilS, view.value.atS))
    }
    await asked(() => thread.ask(plants => plants.advance(untilS)))
    await doDue()
    if (named && view.value.atS >= named.untilS - 1e-6) {
      script.value = undefined
      pause()
    }
  }
  function run(): void {
    if (playing.value) return
    playing.value = true
    last = performance.now()
    timer = setInterval(() => {
      const now = performance.now()
      // What the thread has not yet done is not asked for twice.
      if (busy) return
      const seconds = (Math.min(now - last, 1000) / 1000) * speed.value
      last = now
      void on(seconds)
    }, LOOK_MS)
  }
  function pause(): void {
    playing.value = false
    clearInterval(timer)
  }
  const act = (...doings: Command[]): Promise<void> => asked(() => thread.ask(plants => plants.act(doings.map(plain))))

  return {
    notice,
    view,
    events,
    course,
    playing,
    speed,
    failure,
    clockS,
    script,
    begin,
    ready,
    run,
    pause,
    act,
    step: () => on(STEP_S),
  }
}

/** A time of the plant as a clock shows it, with its day where that is not the first. */
export function clockText(atS: number, startS: number, seconds = true): string {
  const all = Math.max(0, Math.floor(atS + startS + 1e-6))
  const two = (value: number) => String(Math.floor(value)).padStart(2, '0')
  const day = Math.floor(all / 86400)
  const time = `${two((all % 86400) / 3600)}:${two((all % 3600) / 60)}${seconds ? `:${two(all % 60)}` : ''}`
  return day ? `day ${day + 1}, ${time}` : time
}
