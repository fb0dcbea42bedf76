import { wrap, type Remote } from 'comlink'
import { missingPieces } from './missingPiece'
import { nextTask } from './nextTask'
import type { EngineFace } from './engine.worker'
import type { Site, SitePart } from '#core/site'

/** So many lines of a log go to a thread at once: a message of more would hold the page. */
const LINES_AT_ONCE = 1000

type Room = 'files' | 'logs' | 'plants' | 'record' | 'section'
/** A thread as it is asked; what keeps a state of its own stands in rooms. */
export type Face = Omit<Remote<EngineFace>, Room> & { [Name in Room]: Remote<EngineFace[Name]> }

/** A thread that holds a document, as far as it was sent, and is asked about it. It is started when it is first asked. */
export function threadOf() {
  let worker: Worker | undefined
  let face: Face | undefined
  /** Rejects with why nothing will be answered any more. */
  let end: (why: Error) => void = () => undefined
  let ended: Promise<never> = new Promise(() => undefined)
  /** Each part of a document as it was sent last. */
  let sent: Partial<Record<SitePart, unknown>> = {}
  /** One document after another is sent: its parts come together. */
  let sending: Promise<unknown> = Promise.resolve()

  function started(): Face {
    if (face) return face
    worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })
    ended = new Promise((_, fail) => (end = fail))
    ended.catch(() => undefined)
    // An error within a thread has its words; a file that did not come has none.
    worker.addEventListener('error', event => {
      if (!event.message) missingPieces.value++
      stop(new Error(event.message || 'a piece of this page is gone from the server'))
    })
    return (face = wrap<EngineFace>(worker) as unknown as Face)
  }
  /** Ends whatever it works on; asked again it starts afresh. */
  function stop(why = new Error('the work was stopped')): void {
    worker?.terminate()
    worker = face = undefined
    sent = {}
    end(why)
  }

  /** Sends the parts of a document that the thread does not hold. */
  async function hold(site: Site, of: readonly SitePart[]): Promise<void> {
    const changed = of.filter(part => toRaw(site[part]) !== sent[part])
    const short = changed.filter(part => part !== 'log')
    if (short.length) {
      const parts = Object.fromEntries(short.map(part => [part, toRaw(site[part])]))
      await started().hold(parts)
      Object.assign(sent, parts)
    }
    if (changed.includes('log')) await holdLog(toRaw(site.log) ?? [])
  }
  async function holdLog(log: NonNullable<Site['log']>): Promise<void> {
    const before = (sent.log ?? []) as typeof log
    let from = 0
    while (from < before.length && from < log.length && before[from] === log[from]) from++
    // A message that fails leaves nobody knowing what is held.
    delete sent.log
    for (let at = from; at < log.length || at === from; at += LINES_AT_ONCE) {
      await started().holdLog(at, log.slice(at, at + LINES_AT_ONCE))
      await nextTask()
    }
    sent.log = log
  }

  return {
    /** Asks the thread, once it holds some parts of a document. */
    use<Answer>(
      site: Site | undefined,
      of: readonly SitePart[],
      question: (face: Face) => Promise<Answer>,
    ): Promise<Answer> {
      started()
      const until = ended
      const send = async () => {
        // What was asked of a thread that has ended since is not begun in the next.
        if (until !== ended) return until
        if (site) await hold(site, of)
        return { answer: question(started()) }
      }
      const asked = sending.then(send, send)
      // What was being sent to a thread that has ended is answered by nobody.
      sending = Promise.race([asked, until]).catch(() => undefined)
      return Promise.race([asked.then(({ answer }) => answer), until])
    },
    /** How many parts of a document it holds as they are. */
    holds: (site: Site, of: readonly SitePart[]): number =>
      of.filter(part => sent[part] !== undefined && toRaw(site[part]) === sent[part]).length,
    stop,
  }
}
export type Thread = ReturnType<typeof threadOf>

/** Has a thread of its own do something, which ends with it. */
export async function inOwnThread<Answer>(work: (face: Face) => Promise<Answer>): Promise<Answer> {
  const thread = threadOf()
  try {
    return await thread.use(undefined, [], work)
  } finally {
    thread.stop()
  }
}
