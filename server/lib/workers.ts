import { setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { Piscina } from 'piscina'
import type { Answered, JobName, Work } from '../jobs/jobs'
import { MOST_DOCUMENT_BYTES, readText } from './bodies'
import { takenInHand, THREADS } from './hands'
import { refused } from './refused'
import { route } from './route'

/** Nothing is worked on longer than this. */
const MOST_MS = 120_000
const MOST_HEAP_MB = 1024

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
export const handedOver = (event: H3Event, job: JobName, wrapped = (body: string) => body): Promise<Answered> =>
  takenInHand(
    event,
    job,
    () => readText(event, MOST_DOCUMENT_BYTES),
    body => workedOn(event, { job, body: wrapped(body) }),
  )

/** Has a thread work on a question that came without a body. */
export const askedOver = (event: H3Event, job: JobName, question: object): Promise<Answered> =>
  takenInHand(
    event,
    job,
    () => Promise.resolve(JSON.stringify(question)),
    body => workedOn(event, { job, body }),
  )

/** Hands a body to a thread. It is stopped where it takes too long and where the caller has gone away. */
async function workedOn(event: H3Event, work: Work): Promise<Answered> {
  const { res } = event.node
  const gone = new AbortController()
  const stop = () => gone.abort(new Error('The caller has gone away.'))
  const limit = AbortSignal.timeout(MOST_MS)
  res.once('close', stop)
  if (res.destroyed) stop()
  try {
    return await threads().run(work, { signal: AbortSignal.any([gone.signal, limit]) })
  } catch (error) {
    if (gone.signal.aborted) throw refused(503, 'The caller has gone away.')
    if (limit.aborted) throw refused(503, `This was not done within ${MOST_MS / 1000} seconds; ask for less at once.`)
    console.error(error)
    throw refused(503, 'The server could not finish this; it may need more room than there is. Ask for less at once.')
  } finally {
    res.removeListener('close', stop)
  }
}
