import { computed, ref, shallowReactive, toRaw } from 'vue'
import { proxy, wrap, type Remote } from 'comlink'
import { watched } from '~/workers/missingPiece'
import type { BesideWorker, PutPart } from './beside.worker'
import { turns } from '~/workers/pageTurns'
import { isLarge, sameThings } from '~/workers/large'
import type { Site } from '#core/site'

/** One worker for all, started when it is first asked. */
let remote: Remote<BesideWorker> | undefined
function face(): Remote<BesideWorker> {
  remote ??= wrap<BesideWorker>(watched(new Worker(new URL('./beside.worker.ts', import.meta.url), { type: 'module' })))
  return remote
}
/** A site as it goes there: without what no answer asks of it. */
const light = ({ log: _log, ...site }: Site): Site => ({ ...toRaw(site), options: [] })

const asking = ref(0)
/** Whether something is being worked out there: what is shown of it may be from before the last change. */
export const worksBeside = computed(() => asking.value > 0)

/** What could be worked out neither there nor here, by what was asked. */
const failures = shallowReactive(new Map<string, { why: string; forget: () => void }>())
/** Why something could not be worked out; told where it would stand. */
export const besideFailure = computed<string | undefined>(() => failures.values().next().value?.why)
const attempts = ref(0)
/** Has everybody who reads ask again what could not be worked out. */
export function askAgain(): void {
  for (const { forget } of failures.values()) forget()
  failures.clear()
  attempts.value++
}

/** How something is asked of the worker. */
type There<Args extends readonly unknown[], Answer> = (
  face: Remote<BesideWorker>,
  site: Site,
  ...args: Args
) => Promise<Answer>

/**
 * An answer that is told part by part, each in a message of its own: to take a large one apart at once would hold the
 * page.
 */
export async function inParts<Answer extends object>(tell: (put: Remote<PutPart>) => Promise<void>): Promise<Answer> {
  const parts = new Map<string, unknown>()
  const put: PutPart = (name, part) => void parts.set(name, part)
  // What is a proxy here arrives there as one to call.
  await tell(proxy(put) as unknown as Remote<PutPart>)
  return Object.fromEntries(parts) as Answer
}

/** Asks the worker in its turn; where it gives out, the page does the work. */
const worked = <Args extends readonly unknown[], Answer>(
  rank: 'figures' | 'years',
  here: (site: Site, ...args: Args) => Answer,
  there: There<Args, Answer>,
  site: Site,
  args: Args,
): Promise<Answer> => turns.inTurn(rank, () => there(face(), light(site), ...args)).catch(() => here(site, ...args))

/** Something that is asked of a document once, by a press: of a large one beside the page. */
export const askBeside = async <Args extends readonly unknown[], Answer>(
  here: (site: Site, ...args: Args) => Answer,
  there: There<Args, Answer>,
  open: Site,
  ...args: Args
): Promise<Answer> => {
  const site = toRaw(open)
  return isLarge(site) ? worked('figures', here, there, site, args) : here(site, ...args)
}

let made = 0
/** Answers to so many questions are kept. */
const MOST_KEPT = 40

/**
 * Something that is worked out of a document: of a small one here and at once, of a large one beside the page. Until
 * that is answered, what was last answered about the same things stands; nothing before the first answer, or where
 * things were put in or taken out. Whoever reads it is told when there is another.
 * @param here how it is worked out, and where the worker gives out, is so here too
 * @param there how the worker is asked
 */
export function beside<Args extends readonly unknown[], Answer>(
  here: (site: Site, ...args: Args) => Answer,
  there: There<Args, Answer>,
): (site: Site, ...args: Args) => Answer | undefined {
  const nth = made++
  /** What is known of each document, by what was asked beside it. */
  const known = new WeakMap<Site, Map<string, Answer>>()
  /** What was last told, of whichever document. */
  const told = shallowReactive(new Map<string, { site: Site; answer: Answer }>())
  /** What was asked of each document, and what is still to be asked, the newest of each. */
  const asked = new WeakMap<Site, Set<string>>()
  const waiting = new Map<string, { site: Site; args: Args }>()
  let busy = false

  function keep(site: Site, key: string, answer: Answer): Answer {
    const own = known.get(site) ?? new Map<string, Answer>()
    known.set(site, own.set(key, answer))
    return answer
  }
  async function ask(): Promise<void> {
    busy = true
    asking.value++
    try {
      await askAll()
    } finally {
      busy = false
      asking.value--
    }
  }
  async function askAll(): Promise<void> {
    for (let next = waiting.entries().next(); !next.done; next = waiting.entries().next()) {
      const [key, { site, args }] = next.value
      waiting.delete(key)
      try {
        tell(site, key, await worked('years', here, there, site, args))
      } catch (error) {
        const why = error instanceof Error && error.message ? error.message : 'the worker stopped'
        failures.set(`${nth} ${key}`, { why, forget: () => asked.get(site)?.delete(key) })
      }
    }
  }
  function tell(site: Site, key: string, answer: Answer): void {
    keep(site, key, answer)
    failures.delete(`${nth} ${key}`)
    told.delete(key)
    told.set(key, { site, answer })
    if (told.size > MOST_KEPT) told.delete(told.keys().next().value!)
  }
  function askOnce(site: Site, key: string, args: Args): void {
    const keys = asked.get(site) ?? new Set()
    if (keys.has(key)) return
    asked.set(site, keys.add(key))
    // Of documents that wait only the newest is asked about; who still reads another asks again.
    const before = waiting.get(key)?.site
    if (before) asked.get(before)?.delete(key)
    waiting.set(key, { site, args })
    // Whoever reads this is being worked out itself: what it brings about comes after.
    if (!busy) void Promise.resolve().then(() => (busy ? undefined : ask()))
  }

  return (open, ...args) => {
    const site = toRaw(open)
    const key = JSON.stringify(args)
    const last = told.get(key)
    const answer = known.get(site)?.get(key)
    if (answer !== undefined) return answer
    if (!isLarge(site)) return keep(site, key, here(site, ...args))
    void attempts.value
    askOnce(site, key, args)
    return last && sameThings(last.site, site, ['nodes', 'runs']) ? last.answer : undefined
  }
}
