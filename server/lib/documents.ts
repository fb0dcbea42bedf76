import { defineEventHandler, getRequestHeader, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import type { Problem } from '#core/answers'
import { isTooDeep, readSite, type Site } from '#core/site'

export const MOST_BYTES = 5 * 1024 * 1024

/** Thrown by a route and answered as its status with `{ error: [{ path, sentence }] }`. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 404 | 408 | 413 | 422,
    readonly problems: Problem[],
  ) {
    super(problems[0]?.sentence)
  }
}

/** A route whose refusals are answered with their status, each problem with its path. */
export function route<Answer>(handle: (event: H3Event) => Answer) {
  return defineEventHandler(async event => {
    try {
      return await handle(event)
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      setResponseStatus(event, error.status)
      return { error: error.problems }
    }
  })
}

/**
 * A route that takes a JSON document: 413 over 5 MB, 408 where it does not come, 400 where it is no JSON, 422 where the
 * document cannot be worked
 * with.
 */
export const documentRoute = <Answer>(handle: (json: unknown, event: H3Event) => Answer) =>
  route(async event => handle(await readBody(event), event))

async function readBody(event: H3Event): Promise<unknown> {
  const text = await readText(event)
  if (isTooDeep(text)) throw new Refused(400, [{ path: '', sentence: 'The brackets of the body stand too deep.' }])
  try {
    return JSON.parse(text)
  } catch {
    throw new Refused(400, [{ path: '', sentence: 'The body must be JSON.' }])
  }
}

/** A body that takes longer to arrive than this is not waited for. */
const PATIENCE_MS = 20_000

/** Reads a body piece by piece, and no further than it may be long or take. */
function readText(event: H3Event): Promise<string> {
  const { req } = event.node
  const tooLarge = new Refused(413, [{ path: '', sentence: 'The document is larger than 5 MB.' }])
  return new Promise((done, fail) => {
    const pieces: Buffer[] = []
    let bytes = 0
    const end = (problem: Refused) => {
      clearTimeout(patience)
      req.removeAllListeners('data')
      // What still comes is not read: the connection ends with the answer.
      req.pause()
      setResponseHeader(event, 'connection', 'close')
      event.node.res.once('finish', () => req.destroy())
      fail(problem)
    }
    const patience = setTimeout(
      () => end(new Refused(408, [{ path: '', sentence: 'The document did not come within twenty seconds.' }])),
      PATIENCE_MS,
    )
    if (Number(getRequestHeader(event, 'content-length') ?? 0) > MOST_BYTES) return end(tooLarge)
    req.on('data', (piece: Buffer) => {
      bytes += piece.length
      if (bytes > MOST_BYTES) end(tooLarge)
      else pieces.push(piece)
    })
    req.once('end', () => {
      clearTimeout(patience)
      done(Buffer.concat(pieces).toString('utf8'))
    })
    req.once('error', () => end(new Refused(400, [{ path: '', sentence: 'The document broke off.' }])))
  })
}

/** The site a body holds, with what came beside it: the bare document, or `{ site, options }`. */
export function siteIn(body: unknown): { site: Site; options: unknown } {
  const wrapped =
    typeof body === 'object' && body !== null && 'site' in body
      ? (body as { site: unknown; options?: unknown })
      : { site: body }
  const read = readSite(wrapped.site)
  if (!read.ok) throw new Refused(422, read.problems)
  return { site: read.site, options: wrapped.options ?? {} }
}
