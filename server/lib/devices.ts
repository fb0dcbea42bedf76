import { getRouterParam, type H3Event } from 'h3'
import { type Device, findDevice } from '../devices/devices'
import { refused } from './refused'

/** The device that a route's address names. */
export function deviceOf(event: H3Event): Device {
  const id = getRouterParam(event, 'id') ?? ''
  const device = findDevice(id)
  if (!device) throw refused(404, `There is no device “${id}”.`, 'id')
  return device
}
