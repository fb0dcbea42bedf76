import { isTooDeep, readSite, type Site } from '#core/site'
import { Refused, refused } from '../lib/refused'

/** What a text holds as JSON; refused where it is none, or where its brackets stand too deep. */
export function jsonIn(text: string): unknown {
  if (isTooDeep(text)) throw refused(400, 'The brackets of the body stand too deep.')
  try {
    return JSON.parse(text)
  } catch {
    throw refused(400, 'The body must be JSON.')
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

/** The site that a body holds, and what is taken beside it: `{ site, args }`, and nothing else. */
export function siteAndArgs(body: unknown, taker: string): { site: Site; args: Record<string, unknown> } {
  if (typeof body !== 'object' || body === null || !('site' in body))
    throw refused(422, `site: the body must hold the site, and what ${taker} takes as args.`, 'site')
  const stray = Object.keys(body).find(field => field !== 'site' && field !== 'args')
  if (stray !== undefined) throw refused(422, `${stray} is nothing that can be asked.`, stray)
  const { site } = siteIn(body)
  const { args = {} } = body as { args?: Record<string, unknown> }
  return { site, args }
}
