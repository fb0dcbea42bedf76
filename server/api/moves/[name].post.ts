import { getRouterParam, setResponseHeader, setResponseStatus } from 'h3'
import { isMove } from '#core/moves'
import { refused } from '../../lib/refused'
import { route } from '../../lib/route'
import { handedOver } from '../../lib/workers'

/** A move made on a site: `{ site, args }` in, `{ site, makes }` out; 422 with the one sentence where it cannot be. */
export default route(async event => {
  const name = getRouterParam(event, 'name') ?? ''
  if (!isMove(name)) throw refused(404, `There is no move called “${name}”.`, 'name')
  const { status, text } = await handedOver(event, 'move', body => `{"name":${JSON.stringify(name)},"asked":${body}}`)
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/json')
  return text
})
