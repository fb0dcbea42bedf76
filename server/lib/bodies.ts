import { getRequestHeader, type H3Event } from 'h3'
import { jsonIn } from '../jobs/documents'
import { refused, type Refused } from './refused'
import { route } from './route'

/** The longest document that is read. */
export const MOST_DOCUMENT_BYTES = 5 * 1024 * 1024
/** The longest body of a question that is answered at once, by the thread that answers everybody. */
const MOST_QUESTION_BYTES = 256 * 1024

/** A body that takes longer to arrive than this is not waited for. */
const PATIENCE_MS = 20_000
/** So long a refused sender has to hear why. */
const TO_HEAR_MS = 500

const sizeWords = (bytes: number) => (bytes >= 1024 * 1024 ? `${bytes / 1024 / 1024} MB` : `${bytes / 1024} kB`)

/** A route that takes a small JSON body and answers at once: 413 where it is long, 400 where it is no JSON. */
export const jsonRoute = <Answer>(handle: (json: unknown, event: H3Event) => Answer) =>
  route(async event => handle(jsonIn(await readText(event, MOST_QUESTION_BYTES)), event))

/** Reads a body piece by piece, and no further than it may be long or take: 413, or 408 where it does not come. */
export function readText(event: H3Event, mostBytes: number): Promise<string> {
  const { req } = event.node
  const tooLarge = refused(413, `The document is larger than ${sizeWords(mostBytes)}.`)
  return new Promise((done, fail) => {
    const pieces: Buffer[] = []
    let bytes = 0
    const end = (problem: Refused) => {
      clearTimeout(patience)
      req.removeAllListeners('data')
      // What still comes is not read. The connection ends a little after the answer, or who still sends would not hear it.
      req.pause()
      event.node.res.once('finish', () => setTimeout(() => req.destroy(), TO_HEAR_MS))
      fail(problem)
    }
    const patience = setTimeout(
      () => end(refused(408, 'The document did not come within twenty seconds.')),
      PATIENCE_MS,
    )
    if (Number(getRequestHeader(event, 'content-length') ?? 0) > mostBytes) return end(tooLarge)
    req.on('data', (piece: Buffer) => {
      bytes += piece.length
      if (bytes > mostBytes) end(tooLarge)
      else pieces.push(piece)
    })
    req.once('end', () => {
      clearTimeout(patience)
      done(Buffer.concat(pieces).toString('utf8'))
    })
    req.once('error', () => end(refused(400, 'The document broke off.')))
  })
}
