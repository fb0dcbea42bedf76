import { getRouterParam, type H3Event } from 'h3'
import { type StandIn, findDevice } from '../devices/devices'
import { refused } from './refused'

/** The device that a route's address names. */
export function deviceOf(event: H3Event): StandIn {
  const id = getRouterParam(event, 'id') ?? ''
  const device = findDevice(id)
  if (!device) throw refused(404, `There is no device “${id}”.`, 'id')
  return device
}
