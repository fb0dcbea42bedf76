import { defineEventHandler, getRequestHeader, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { isOurName, isOurOrigin } from '../lib/callers'
import { methodsOf } from '../lib/routes'

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])

function refuse(event: H3Event, status: number, sentence: string) {
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/json')
  return { error: [{ path: '', sentence }] }
}

/**
 * Who may ask: by a name of ours, by a method that the route takes, and, for what changes something, from a page of
 * ours and as JSON.
 */
export default defineEventHandler(event => {
  const host = getRequestHeader(event, 'host')
  if (!isOurName(host, process.env))
    return refuse(event, 403, 'This server is not called by that name; ALLOWED_HOSTS says by which it may be.')
  const path = event.path.split('?')[0]!
  const methods = methodsOf(path)
  if (methods.length && !methods.includes(event.method === 'HEAD' ? 'GET' : event.method)) {
    setResponseHeader(event, 'allow', methods.join(', '))
    return refuse(event, 405, `${path} takes ${methods.join(' and ')}, not ${event.method}.`)
  }
  if (READS.has(event.method)) return undefined
  const site = getRequestHeader(event, 'sec-fetch-site')
  if (!isOurOrigin(getRequestHeader(event, 'origin'), host) || site === 'cross-site')
    return refuse(event, 403, 'A page from elsewhere may not ask this.')
  const type = getRequestHeader(event, 'content-type')
  if (path.startsWith('/api/') && type !== undefined && !/^application\/(json|[\w.-]+\+json)\b/i.test(type))
    return refuse(event, 415, 'The body must be JSON, with the content type application/json.')
  return undefined
})
