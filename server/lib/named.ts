import { getRouterParam, setResponseHeader, setResponseStatus } from 'h3'
import type { JobName } from '../jobs/jobs'
import { refused } from './refused'
import { route } from './route'
import { handedOver } from './workers'

/**
 * A route that takes a name in its address and `{ site, args }` in its body: 404 where there is nothing of that name.
 * @param what what is named, as it is said to whoever errs
 */
export const namedRoute = (what: string, isKnown: (name: string) => boolean, job: JobName) =>
  route(async event => {
    const name = getRouterParam(event, 'name') ?? ''
    if (!isKnown(name)) throw refused(404, `There is no ${what} called “${name}”.`, 'name')
    const { status, text } = await handedOver(event, job, body => `{"name":${JSON.stringify(name)},"asked":${body}}`)
    setResponseStatus(event, status)
    setResponseHeader(event, 'content-type', 'application/json')
    return text
  })
