import { getRouterParam, type H3Event } from 'h3'
import { type Device, findDevice } from '../devices/devices'
import { Refused } from './documents'

/** The device that a route's address names. */
export function deviceOf(event: H3Event): Device {
  const id = getRouterParam(event, 'id') ?? ''
  const device = findDevice(id)
  if (!device) throw new Refused(404, [{ path: 'id', sentence: `There is no device “${id}”.` }])
  return device
}
