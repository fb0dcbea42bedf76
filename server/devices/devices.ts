import { chanceDevice } from './chance'
import { clock } from './clock'
import type { Device } from './device'
import { SENSORS } from './sensors'
import { weatherDevice } from './weatherService'

export type { Device }

/** Everything of the simulated outside world that can be switched. A new device is a row here. */
const DEVICES: readonly Device[] = [clock, chanceDevice, weatherDevice, ...Object.values(SENSORS)]

export const deviceList = () => DEVICES.map(device => ({ id: device.id, name: device.name, settings: device.read() }))
export const findDevice = (id: string): Device | undefined => DEVICES.find(device => device.id === id)
