import { availableParallelism } from 'node:os'
import { setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { sum } from 'd3-array'
import { Piscina } from 'piscina'
import type { Answered, JobName, Work } from '../jobs/jobs'
import { MOST_DOCUMENT_BYTES, readText } from './bodies'
import { refused } from './refused'
import { route } from './route'

/** Requests that may be in hand, worked on or waiting for a thread; and of one caller. */
const MOST_IN_HAND = 64
const MOST_OF_ONE_CALLER = 32
/** Nobody waits longer than this for an answer, nor is worked for. */
const MOST_MS = 60_000
const MOST_HEAP_MB = 1024
const THREADS = Math.min(4, Math.max(2, availableParallelism() - 1))

let pool: Piscina<Work, Answered> | undefined

/** The threads that work on documents, so that the one that answers everybody is never held. */
const threads = () =>
  (pool ??= new Piscina({
    filename: new URL('./work.mjs', import.meta.url).href,
    minThreads: THREADS,
    maxThreads: THREADS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_HEAP_MB },
    recordTiming: false,
  }).on('error', console.error))

/** Requests in hand, by the address they come from. */
const inHand = new Map<string, number>()

/** A route whose whole work, from reading the document on, is done by a thread. */
export const workRoute = (job: JobName) =>
  route(async event => {
    const { status, text } = await handedOver(event, job)
    setResponseStatus(event, status)
    setResponseHeader(event, 'content-type', 'application/json')
    return text
  })

/**
 * Reads the body of a request and has a thread work on it, where there are hands free.
 * @param wrapped what is handed over of the body; the body itself where nothing is said
 */
export async function handedOver(
  event: H3Event,
  job: JobName,
  wrapped: (body: string) => string = body => body,
): Promise<Answered> {
  const caller = event.node.req.socket.remoteAddress ?? ''
  const already = inHand.get(caller) ?? 0
  if (already >= MOST_OF_ONE_CALLER)
    throw refused(429, `You have ${already} requests in hand here; wait until some are answered.`)
  if (sum(inHand.values()) >= MOST_IN_HAND) throw refused(503, 'The server has its hands full; try again later.')
  inHand.set(caller, already + 1)
  try {
    return await workedOn(event, { job, body: wrapped(await readText(event, MOST_DOCUMENT_BYTES)) })
  } finally {
    const left = inHand.get(caller)! - 1
    if (left) inHand.set(caller, left)
    else inHand.delete(caller)
  }
}

/** Hands a body to a thread. It is stopped where it takes too long and where the caller has gone away. */
async function workedOn(event: H3Event, work: Work): Promise<Answered> {
  const gone = new AbortController()
  const stop = () => gone.abort(new Error('The caller has gone away.'))
  const limit = AbortSignal.timeout(MOST_MS)
  event.node.res.once('close', stop)
  try {
    return await threads().run(work, { signal: AbortSignal.any([gone.signal, limit]) })
  } catch (error) {
    if (gone.signal.aborted) throw refused(503, 'The caller has gone away.')
    if (limit.aborted) throw refused(503, `This was not done within ${MOST_MS / 1000} seconds; ask for less at once.`)
    console.error(error)
    throw refused(503, 'The server could not finish this; it may need more room than there is. Ask for less at once.')
  } finally {
    event.node.res.removeListener('close', stop)
  }
}
