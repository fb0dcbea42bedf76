import { defineEventHandler, setResponseHeader, setResponseStatus, type H3Event } from 'h3'
import { Refused } from './refused'

/** Seconds after which a caller who was refused for want of room may try again. */
const RETRY_S = 10

/** A route whose refusals are answered with their status, each problem with its path. */
export function route<Answer>(handle: (event: H3Event) => Answer) {
  return defineEventHandler(async event => {
    try {
      return await handle(event)
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      setResponseStatus(event, error.status)
      if (error.status === 429 || error.status === 503) setResponseHeader(event, 'retry-after', RETRY_S)
      return { error: error.problems }
    }
  })
}
