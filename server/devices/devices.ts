import { chanceDevice } from './chance'
import { clock } from './clock'
import type { StandIn } from './device'
import { SENSORS } from './sensors'
import { weatherDevice } from './weatherService'

export type { StandIn }

/** Everything of the simulated outside world that can be switched. A new device is a row here. */
const DEVICES: readonly StandIn[] = [clock, chanceDevice, weatherDevice, ...Object.values(SENSORS)]

export const deviceList = () => DEVICES.map(device => ({ id: device.id, name: device.name, settings: device.read() }))
export const findDevice = (id: string): StandIn | undefined => DEVICES.find(device => device.id === id)
