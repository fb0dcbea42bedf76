import { z } from 'zod'
import { OUTAGES, setWeatherOutage, weatherOutage } from '../../devices/weatherService'
import { documentRoute, Refused } from '../../lib/documents'

const switchSchema = z.strictObject({ outage: z.enum(OUTAGES, { error: `must be one of ${OUTAGES.join(', ')}` }) })

/** Switches the simulated weather service's outage, so that what goes wrong with a real one can be tried. */
export default documentRoute(json => {
  const read = switchSchema.safeParse(json)
  if (!read.success) throw new Refused(422, [{ path: 'outage', sentence: `outage ${read.error.issues[0]!.message}.` }])
  setWeatherOutage(read.data.outage)
  return { outage: weatherOutage() }
})
