import { defineEventHandler } from 'h3'
import { weatherOutage } from '../../devices/weatherService'

/** How the simulated weather service is doing. */
export default defineEventHandler(() => ({ outage: weatherOutage() }))
