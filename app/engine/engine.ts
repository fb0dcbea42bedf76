import { proxy, type Remote } from 'comlink'
import { schedulerOf } from './scheduler'
import { threadOf, type Thread } from './thread'
import type { PutPart } from './engine.worker'
import {
  QUESTION_ROWS,
  type AnswerOf,
  type ArgsOf,
  type QuestionName,
  type QuestionRow,
  type Tell,
} from '#core/questions'
import type { Site } from '#core/site'

const PROCESSORS = navigator.hardwareConcurrency || 2

/**
 * As many threads work at a time as leave the page a processor of its own: where they have to share it, a keystroke
 * waits for them.
 */
export const scheduler = schedulerOf(Math.max(1, PROCESSORS - 1))

/**
 * Threads that hold what is dear to send or to work out anew: the years, which the review reads, and the log. What keeps
 * a state of its own (a plant, a picture) has one too.
 */
const homes = new Map<string, Thread>()
export function homeOf(home: string): Thread {
  const known = homes.get(home) ?? threadOf()
  homes.set(home, known)
  return known
}
const OF_YEARS: readonly string[] = ['outline', 'years', 'review'] satisfies QuestionName[]
const homeFor = (name: QuestionName, { of }: QuestionRow): Thread | undefined => {
  if (OF_YEARS.includes(name)) return homeOf('years')
  return of.includes('log') ? homeOf('log') : undefined
}

/** Threads for everything else: one more than work at a time, since what is aside may take all of them but one. */
const MOST_IN_POOL = Math.min(5, PROCESSORS + 1)
export const MOST_ASIDE = MOST_IN_POOL - 1
interface Pooled {
  thread: Thread
  busy: 'no' | 'aside' | 'urgent'
}
const pool: Pooled[] = []
const waiting: (() => void)[] = []

/** A thread that has nothing to do: of several, the one that holds most of what is asked about. */
function idleFor(site: Site, { of, rank }: QuestionRow): Pooled | undefined {
  if (rank === 'aside' && pool.filter(({ busy }) => busy === 'aside').length >= MOST_ASIDE) return undefined
  const idle = pool.filter(({ busy }) => busy === 'no')
  if (idle.length)
    return idle.reduce((best, one) => (one.thread.holds(site, of) > best.thread.holds(site, of) ? one : best))
  if (pool.length >= MOST_IN_POOL) return undefined
  const started: Pooled = { thread: threadOf(), busy: 'no' }
  pool.push(started)
  return started
}
async function inPool<Answer>(
  site: Site,
  row: QuestionRow,
  work: (thread: Thread) => Promise<Answer>,
): Promise<Answer> {
  let one = idleFor(site, row)
  while (!one) {
    await new Promise<void>(go => waiting.push(go))
    one = idleFor(site, row)
  }
  one.busy = row.rank === 'aside' ? 'aside' : 'urgent'
  try {
    return await work(one.thread)
  } finally {
    one.busy = 'no'
    for (const go of waiting.splice(0)) go()
  }
}

/** An answer that is told part by part. */
async function inParts(tellTo: (put: Remote<PutPart>) => Promise<void>): Promise<object> {
  const parts = new Map<string, unknown>()
  const put: PutPart = (name, part) => void parts.set(name, part)
  // What is a proxy here arrives there as one to call.
  await tellTo(proxy(put) as unknown as Remote<PutPart>)
  return Object.fromEntries(parts)
}

/** How a question is asked. */
export interface Asking {
  /** Ends the work; what was asked is then refused. */
  signal?: AbortSignal
  /** Is told how far it is. */
  tell?: Tell
}

/**
 * Asks a question of a document in a thread, in its turn.
 * @throws why it could not be answered, or that it was stopped
 */
export function ask<Name extends QuestionName>(
  name: Name,
  site: Site,
  args: ArgsOf<Name>,
  { signal, tell }: Asking = {},
): Promise<AnswerOf<Name>> {
  const row: QuestionRow = QUESTION_ROWS[name]
  const asked = (thread: Thread): Promise<AnswerOf<Name>> => {
    signal?.throwIfAborted()
    const stop = () => thread.stop()
    signal?.addEventListener('abort', stop, { once: true })
    return thread
      .use(site, row.of, face =>
        row.inParts
          ? (inParts(put => face.askInParts(name, args, put)) as Promise<AnswerOf<Name>>)
          : (face.ask(name, args, ...(tell ? [proxy(tell)] : [])) as unknown as Promise<AnswerOf<Name>>),
      )
      .finally(() => signal?.removeEventListener('abort', stop))
  }
  return scheduler.inTurn(row.rank, () => {
    const home = homeFor(name, row)
    return home ? asked(home) : inPool(site, row, asked)
  })
}

/** What takes no longer than this is worked out by the page itself, ms: it is there in the frame in which it is asked. */
const HERE_MS = 25
/** Whether a question of a document is no work: then the page answers it at once. */
export const isLittle = (name: QuestionName, site: Site): boolean =>
  QUESTION_ROWS[name].costMs(site.nodes.length) <= HERE_MS
