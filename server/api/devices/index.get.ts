import { defineEventHandler } from 'h3'
import { deviceList } from '../../devices/devices'

/** The devices of the simulated outside world, with their settings. */
export default defineEventHandler(deviceList)
