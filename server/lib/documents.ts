import { defineEventHandler, getRequestHeader, readRawBody, setResponseStatus, type H3Event } from 'h3'
import type { Problem } from '#core/answers'
import { readSite, type Site } from '#core/site'

export const MOST_BYTES = 5 * 1024 * 1024

/** Thrown by a route and answered as its status with `{ error: [{ path, sentence }] }`. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 404 | 413 | 422,
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
 * A route that takes a JSON document: 413 over 5 MB, 400 where it is no JSON, 422 where the document cannot be worked
 * with.
 */
export const documentRoute = <Answer>(handle: (json: unknown, event: H3Event) => Answer) =>
  route(async event => handle(await readJson(event), event))

async function readJson(event: H3Event): Promise<unknown> {
  const tooLarge = new Refused(413, [{ path: '', sentence: 'The document is larger than 5 MB.' }])
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > MOST_BYTES) throw tooLarge
  const body = (await readRawBody(event, 'utf8')) ?? ''
  if (Buffer.byteLength(body, 'utf8') > MOST_BYTES) throw tooLarge
  try {
    return JSON.parse(body)
  } catch {
    throw new Refused(400, [{ path: '', sentence: 'The body must be JSON.' }])
  }
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
