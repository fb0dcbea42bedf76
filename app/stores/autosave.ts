import { nanoid } from 'nanoid'
import type { Repository, StoredHead, Whole } from '~/db/repository'
import { writingOf, type History } from '#core/moves'

/**
 * Why a page's work is not kept, where it is not: another page changed the site or took it out, the disk is full or
 * fails, or something of the work cannot be written down at all.
 */
export type Trouble = 'elsewhere' | 'gone' | 'full' | 'broken' | 'unfit'

const [RETRY_MS, MOST_RETRY_MS] = [2000, 30_000]
/** This page, among all that may have the same site open. */
const PAGE = nanoid()

/** What a browser calls its refusals, and what each means here. */
const REFUSALS: Partial<Record<string, Trouble>> = { QuotaExceededError: 'full', DataCloneError: 'unfit' }
function troubleOf(error: unknown): Trouble {
  const { name = '', inner } = error as { name?: string; inner?: { name?: string } }
  return REFUSALS[name] ?? REFUSALS[inner?.name ?? ''] ?? 'broken'
}

const headOf = ({ stored: { site: _site, ...head } }: Whole): StoredHead => head

/** What a history is when it is opened, as it lies on the repository. */
const historyOf = ({ stored, steps }: Whole): History => ({
  site: stored.site,
  steps: steps.map(step => step.made),
  cursor: Math.min(stored.cursor, steps.length),
  first: steps[0]?.index ?? 0,
})

export type Autosave = ReturnType<typeof useAutosave>

/** True where a site could be closed now and nothing of it would be lost. */
export const isKept = ({ saving, trouble }: Autosave): boolean =>
  saving.value === 'saved' && trouble.value === undefined

/** True where something of a site stands in this page alone, and not only until a writing ends. */
export const isAtStake = ({ saving, trouble }: Autosave): boolean =>
  saving.value === 'failed' || (saving.value === 'unsaved' && trouble.value !== undefined)

/**
 * A site as it is open in this page, and what keeps it on the repository: one writing at a time, each of what the repository is
 * known to lack, until it lacks nothing. `taken` is told whenever a history comes from the repository.
 */
export function useAutosave(repository: Repository, whole: Whole, taken: () => void) {
  const { id } = whole.stored
  const history = shallowRef<History>(historyOf(whole))
  const saving = ref<'saved' | 'unsaved' | 'failed'>('saved')
  const trouble = ref<Trouble>()
  /** What the browser said of the last writing that failed. */
  const cause = ref('')
  /** Which state of the plan lies on the repository: how often it was saved. */
  const saves = ref(0)
  /** How many saves lie between now and the last file. */
  const unfiled = ref(0)

  let stored!: StoredHead
  let held: History | undefined
  let running: Promise<void> | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  let [failures, ended] = [0, false]

  lay(whole)
  const stopWatching = repository.watch(id, heard)

  /** What lies on the repository is what stands here. */
  function lay(found: Whole): void {
    held = history.value = historyOf(found)
    stored = headOf(found)
    saves.value = stored.revision
    unfiled.value = stored.unfiled ?? 0
    trouble.value = undefined
    saving.value = 'saved'
  }
  function show(found: Whole): void {
    lay(found)
    taken()
  }

  /** What the repository says of the site, whoever changed it; `apart` where what lies there never came from what is here. */
  function heard(there: StoredHead | undefined, apart = false): void {
    if (ended) return
    if (!there) trouble.value = 'gone'
    else if (apart) [saving.value, trouble.value] = ['unsaved', 'elsewhere']
    else if (there.by !== PAGE && (there.revision > stored.revision || trouble.value === 'gone')) {
      // With nothing of our own at stake another page's state is simply taken over.
      if (saving.value === 'saved') void takeOver()
      else trouble.value = 'elsewhere'
    } else unfiled.value = there.unfiled ?? 0
  }

  /** Shows what another page saved, unless something was typed here while it was read. */
  const takeOver = () =>
    tried(async () => {
      const found = await repository.whole(id)
      if (ended) return
      if (found && saving.value === 'saved') show(found)
      else trouble.value = found ? 'elsewhere' : 'gone'
    })

  /** What the repository refuses is told where "saved" stands, and nothing of the page is lost by it. */
  async function tried(act: () => Promise<unknown>): Promise<void> {
    try {
      await act()
    } catch (error) {
      failed(error)
    }
  }
  function failed(error: unknown): void {
    saving.value = 'failed'
    trouble.value = troubleOf(error)
    cause.value = error instanceof Error ? error.message : String(error)
    clearTimeout(retry)
    if (!ended) retry = setTimeout(() => void flush(), Math.min(MOST_RETRY_MS, RETRY_MS * 2 ** failures++))
  }

  /** Ends the keeping: for a site of which all is kept, or that its owner lets go. */
  function end(): void {
    ended = true
    stopWatching()
    clearTimeout(retry)
  }

  /** Writes all that is unwritten; a second call while one runs waits for the same end. */
  function flush(): Promise<void> {
    return (running ??= writeAll().finally(() => (running = undefined)))
  }

  async function writeAll(): Promise<void> {
    while (!ended) {
      const now = history.value
      if (trouble.value === 'elsewhere' || trouble.value === 'gone') return
      const writing = writingOf(held, now)
      if (!writing) {
        saving.value = 'saved'
        return
      }
      try {
        const became = await repository.write(id, writing, stored.revision, PAGE, Date.now())
        if (became !== 'written') {
          trouble.value = became
          return
        }
        held = writing.history
        stored = { ...stored, revision: stored.revision + 1 }
        saves.value = stored.revision
        failures = 0
        trouble.value = undefined
        askToStay()
      } catch (error) {
        failed(error)
        return
      }
    }
  }

  /** The history is another now: there is something to write. */
  function change(next: History): void {
    history.value = next
    if (saving.value === 'saved') saving.value = 'unsaved'
  }

  /** Two pages changed the site: take what the other one saved. */
  const takeTheirs = () =>
    tried(async () => {
      const found = await repository.whole(id)
      if (found) show(found)
      else trouble.value = 'gone'
    })

  /** Two pages changed the site: keep what this one has; the other's changes are overwritten. */
  const keepOurs = () =>
    tried(async () => {
      const there = await repository.whole(id)
      if (there) stored = headOf(there)
      held = undefined
      trouble.value = undefined
      saving.value = 'unsaved'
      await flush()
    })

  /** Puts a site that was taken out elsewhere back on the repository, as it stands here, with its history. */
  async function putBack(): Promise<void> {
    const now = history.value
    const { site, steps, cursor, first } = now
    const back: StoredHead = { ...stored, name: site.name, cursor, by: PAGE, changedAt: Date.now() }
    const found = steps.map((made, at) => ({ siteId: id, index: first + at, made }))
    let put = false
    try {
      put = await repository.put({ stored: { ...back, site }, steps: found })
    } catch {
      // It is as gone as before, and the way to put it back, or to save it as a file, still stands there.
      return
    }
    if (!put) {
      trouble.value = 'elsewhere'
      saving.value = 'unsaved'
      return
    }
    ;[stored, held] = [back, now]
    trouble.value = undefined
    saving.value = 'saved'
    await flush()
  }

  /** The site has left as a file. */
  const filed = () => tried(() => repository.filed([id]))

  const acts = { end, flush, change, takeTheirs, keepOurs, putBack, filed }
  return { id, history, saving, trouble, cause, saves, unfiled, ...acts }
}

let asked = false
/** Asks the browser, once there is work in it, not to throw it away when room gets short. */
function askToStay(): void {
  if (asked) return
  asked = true
  void navigator.storage?.persist?.().catch(() => undefined)
}
