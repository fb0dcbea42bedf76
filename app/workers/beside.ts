import { wrap, type Remote } from 'comlink'
import type { BesideWorker } from './beside.worker'
import { turns } from '~/workers/pageTurns'
import { isLarge } from '~/workers/large'
import type { Site } from '#core/site'

/** One worker for all, started when it is first asked. */
let remote: Remote<BesideWorker> | undefined
function face(): Remote<BesideWorker> {
  remote ??= wrap<BesideWorker>(new Worker(new URL('./beside.worker.ts', import.meta.url), { type: 'module' }))
  return remote
}
/** A site as it goes there: without what no answer asks of it. */
const light = ({ log: _log, ...site }: Site): Site => ({ ...toRaw(site), options: [] })

/** Answers to so many questions are kept. */
const MOST_KEPT = 40

/** True where nothing was put in or taken out between two documents: what is told of one can be read beside the other. */
const sameThings = (one: Site, two: Site): boolean =>
  one.id === two.id && one.nodes.length === two.nodes.length && one.runs.length === two.runs.length

/**
 * Something that is worked out of a document: of a small one here and at once, of a large one beside the page. Until
 * that is answered, what was last answered about the same things stands; nothing before the first answer, or where
 * things were put in or taken out. Whoever reads it is told when there is another.
 * @param here how it is worked out, and where the worker gives out, is so here too
 * @param there how the worker is asked
 */
export function beside<Args extends readonly unknown[], Answer>(
  here: (site: Site, ...args: Args) => Answer,
  there: (face: Remote<BesideWorker>, site: Site, ...args: Args) => Promise<Answer>,
): (site: Site, ...args: Args) => Answer | undefined {
  /** What was last told, by what was asked beside the site. */
  const told = shallowReactive(new Map<string, { site: Site; answer: Answer }>())
  /** What is still to be asked, and the site that was last asked about. */
  const waiting = new Map<string, { site: Site; args: Args }>()
  const asked = new Map<string, Site>()
  /** Here the same thing is worked out once a document. */
  const known = new WeakMap<Site, Map<string, Answer>>()
  let busy = false

  function atOnce(site: Site, key: string, args: Args): Answer {
    const own = known.get(site) ?? new Map<string, Answer>()
    known.set(site, own)
    const answer = own.get(key) ?? here(site, ...args)
    own.set(key, answer)
    return answer
  }
  async function ask(): Promise<void> {
    busy = true
    for (let next = waiting.entries().next(); !next.done; next = waiting.entries().next()) {
      const [key, { site, args }] = next.value
      waiting.delete(key)
      const answer = await turns
        .inTurn('years', () => there(face(), light(site), ...args))
        .catch(() => here(site, ...args))
      told.delete(key)
      told.set(key, { site, answer })
      if (told.size > MOST_KEPT) told.delete(told.keys().next().value!)
    }
    busy = false
  }

  return (open, ...args) => {
    const site = toRaw(open)
    const key = JSON.stringify(args)
    if (!isLarge(site)) return atOnce(site, key, args)
    const last = told.get(key)
    if (last?.site !== site && asked.get(key) !== site) {
      asked.set(key, site)
      waiting.set(key, { site, args })
      // Whoever reads this is being worked out itself: what it brings about comes after.
      if (!busy) void Promise.resolve().then(() => busy || ask())
    }
    return last && sameThings(last.site, site) ? last.answer : undefined
  }
}
