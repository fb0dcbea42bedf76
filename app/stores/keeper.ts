import { nanoid } from 'nanoid'
import { openShelf } from '~/db/openShelf'
import type { Shelf, StoredHead, Whole } from '~/db/shelf'
import { writingOf, type History } from '#core/moves'

/** Why a page's work is not kept, where it is not: another page changed the site or took it out, or the disk fails. */
export type Trouble = 'elsewhere' | 'gone' | 'full' | 'broken'

const [RETRY_MS, MOST_RETRY_MS] = [2000, 30_000]
/** This page, among all that may have the same site open. */
const PAGE = nanoid()

const isFull = (error: unknown) => {
  const { name, inner } = error as { name?: string; inner?: { name?: string } }
  return name === 'QuotaExceededError' || inner?.name === 'QuotaExceededError'
}

const headOf = ({ stored: { site: _site, ...head } }: Whole): StoredHead => head

/** What a history is when it is opened, as it lies on the shelf. */
const historyOf = ({ stored, steps }: Whole): History => ({
  site: stored.site,
  steps: steps.map(step => step.made),
  cursor: Math.min(stored.cursor, steps.length),
  first: steps[0]?.index ?? 0,
})

/**
 * Keeps the open history on the shelf: one writing at a time, each of what the shelf is known to lack, until it lacks
 * nothing. `now` is the history as it stands in the page; `take` is given one that comes from the shelf.
 */
export function useKeeper(now: () => History | undefined, take: (history: History | undefined) => void) {
  const saving = ref<'saved' | 'unsaved' | 'failed'>('saved')
  const trouble = ref<Trouble>()
  const missing = ref(false)
  /** False where nothing outlasts the page; and how many saves lie between now and the last file. */
  const lasts = ref(true)
  const unfiled = ref(0)

  let shelf: Shelf
  let stored: StoredHead | undefined
  let held: History | undefined
  let running: Promise<void> | undefined
  let stopWatching: (() => void) | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  let failures = 0

  async function open(id: string): Promise<void> {
    await flush()
    close()
    shelf = await openShelf()
    lasts.value = shelf.lasts
    await load(id)
    stopWatching = shelf.watch(id, heard)
  }

  async function load(id: string): Promise<void> {
    show(await shelf.whole(id))
  }

  function show(whole: Whole | undefined): void {
    missing.value = !whole
    if (!whole) return
    held = historyOf(whole)
    stored = headOf(whole)
    unfiled.value = stored.unfiled ?? 0
    trouble.value = undefined
    saving.value = 'saved'
    take(held)
  }

  /** What the shelf says of the open site, whoever changed it. */
  function heard(there: StoredHead | undefined): void {
    if (!stored) return
    if (!there) {
      trouble.value = 'gone'
      return
    }
    if (there.by === PAGE) unfiled.value = there.unfiled ?? 0
    else if (there.revision > stored.revision || trouble.value === 'gone') {
      // With nothing of our own at stake another page's state is simply taken over.
      if (saving.value === 'saved') void takeOver(there.id)
      else trouble.value = 'elsewhere'
    } else unfiled.value = there.unfiled ?? 0
  }

  /** Shows what another page saved, unless something was typed here while it was read. */
  const takeOver = (id: string) =>
    tried(async () => {
      const whole = await shelf.whole(id)
      if (stored?.id !== id) return
      if (saving.value === 'saved') show(whole)
      else trouble.value = 'elsewhere'
    })

  /** What the shelf refuses is told where "saved" stands, and nothing of the page is lost by it. */
  async function tried(act: () => Promise<unknown>): Promise<void> {
    try {
      await act()
    } catch (error) {
      failed(error)
    }
  }
  function failed(error: unknown): void {
    saving.value = 'failed'
    trouble.value = isFull(error) ? 'full' : 'broken'
    clearTimeout(retry)
    retry = setTimeout(() => void flush(), Math.min(MOST_RETRY_MS, RETRY_MS * 2 ** failures++))
  }

  function close(): void {
    stopWatching?.()
    clearTimeout(retry)
    stopWatching = stored = held = undefined
    failures = 0
    saving.value = 'saved'
    trouble.value = undefined
    missing.value = false
    take(undefined)
  }

  /** Writes all that is unwritten; a second call while one runs waits for the same end. */
  function flush(): Promise<void> {
    return (running ??= writeAll().finally(() => (running = undefined)))
  }

  async function writeAll(): Promise<void> {
    for (;;) {
      const [history, over] = [now(), stored]
      if (!history || !over || trouble.value === 'elsewhere' || trouble.value === 'gone') return
      const writing = writingOf(held, history)
      if (!writing) {
        saving.value = 'saved'
        return
      }
      try {
        const became = await shelf.write(over.id, writing, over.revision, PAGE, Date.now())
        if (became !== 'written') {
          trouble.value = became
          return
        }
        held = writing.history
        stored = { ...over, revision: over.revision + 1 }
        failures = 0
        trouble.value = undefined
        askToStay()
      } catch (error) {
        failed(error)
        return
      }
    }
  }

  /** There is something to write. */
  function changed(): void {
    if (saving.value === 'saved') saving.value = 'unsaved'
  }

  /** Two pages changed the site: take what the other one saved. */
  const takeTheirs = () => tried(async () => stored && load(stored.id))

  /** Two pages changed the site: keep what this one has; the other's changes are overwritten. */
  const keepOurs = () =>
    tried(async () => {
      if (!stored) return
      const there = await shelf.whole(stored.id)
      if (there) stored = headOf(there)
      held = undefined
      trouble.value = undefined
      saving.value = 'unsaved'
      await flush()
    })

  /** Puts a site that was taken out elsewhere back on the shelf, as it stands here, with its history. */
  async function putBack(): Promise<void> {
    const history = now()
    if (!history || !stored) return
    const { site, steps, cursor, first } = history
    const back: StoredHead = { ...stored, name: site.name, cursor, by: PAGE, changedAt: Date.now() }
    const found = steps.map((made, at) => ({ siteId: back.id, index: first + at, made }))
    let put = false
    try {
      put = await shelf.put({ stored: { ...back, site }, steps: found })
    } catch {
      // It is as gone as before, and the way to put it back, or to save it as a file, still stands there.
      return
    }
    if (!put) {
      trouble.value = 'elsewhere'
      return
    }
    ;[stored, held] = [back, history]
    trouble.value = undefined
    saving.value = 'saved'
    await flush()
  }

  /** The open site has left as a file. */
  const filed = () => tried(async () => stored && shelf.filed([stored.id]))

  return { saving, trouble, missing, lasts, unfiled, open, close, flush, changed, takeTheirs, keepOurs, putBack, filed }
}

let asked = false
/** Asks the browser, once there is work in it, not to throw it away when room gets short. */
function askToStay(): void {
  if (asked) return
  asked = true
  void navigator.storage?.persist?.().catch(() => undefined)
}
