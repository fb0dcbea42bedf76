import { getQuery, getRouterParam, setResponseHeader } from 'h3'
import Papa from 'papaparse'
import { z } from 'zod'
import { placeOf } from '../../../devices/place'
import { isSensor, SENSORS, sensorAnswer } from '../../../devices/sensors'
import { refused } from '../../../lib/refused'
import { route } from '../../../lib/route'

const query = z.object({
  site: z.string('site must be said: whose device is asked.').max(120),
  of: z.string().max(120).default(''),
  since: z.iso.datetime({ offset: true, error: 'since must be a moment, such as 2027-04-18T06:00:00Z.' }).optional(),
  format: z.enum(['json', 'csv'], { error: 'format must be json or csv.' }).default('json'),
})

/**
 * What a stand-in for a device tells since a moment, as JSON or as a table; a real one answers at an address of its own
 * in the same shape. How it fails is switched at `/api/devices/<id>`.
 */
export default route(event => {
  const id = getRouterParam(event, 'id') ?? ''
  if (!isSensor(id)) throw refused(404, `There is no device “${id}” that tells readings.`, 'id')
  const { failure } = SENSORS[id].read()
  if (failure === 'gone') throw refused(503, 'The device does not answer.')
  const asked = query.safeParse(getQuery(event))
  if (!asked.success) {
    const [issue] = asked.error.issues
    throw refused(422, issue!.message, String(issue!.path[0] ?? ''))
  }
  const { site, of, since, format } = asked.data
  const place = placeOf(site)
  if (!place) throw refused(404, 'The stand-ins are not put up at that site; post it to /api/devices/place.', 'site')
  if (failure === 'garbled') {
    setResponseHeader(event, 'content-type', 'text/html')
    return '<html><body>502 Bad Gateway</body></html>'
  }
  const answer = sensorAnswer(id, place, of, since === undefined ? -Infinity : Date.parse(since))
  if (format === 'json') return answer
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'device-clock', answer.clock)
  return Papa.unparse({ fields: ['at', 'value', 'unit'], data: answer.readings })
})
