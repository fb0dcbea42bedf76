import { defineEventHandler, getQuery, setResponseHeader, setResponseStatus } from 'h3'
import Papa from 'papaparse'
import { z } from 'zod'
import { stationById, stationDays, stationsNear, weatherDevice } from '../devices/weatherService'

const degrees = (most: number, name: string) =>
  z.coerce
    .number({ error: `${name} must be a number of degrees.` })
    .min(-most, `${name} must be at least −${most}.`)
    .max(most, `${name} must be at most ${most}.`)
const query = z.union([
  z.object({
    station: z.string().max(40),
    format: z.enum(['json', 'csv'], { error: 'format must be json or csv.' }).default('json'),
    from: z.iso.date('from must be a date, such as 1991-01-01.').optional(),
    to: z.iso.date('to must be a date, such as 2020-12-31.').optional(),
  }),
  z.object({ lat: degrees(90, 'lat'), lon: degrees(180, 'lon') }),
])
const SLOW_MS = 6000
const CUT_SHARE = 0.37

/**
 * The simulated weather service. `?lat=…&lon=…` lists the stations near a point; `?station=…` gives one's daily
 * record, as JSON or, with
 * `format=csv`, as a table. Its outages are switched at `/api/devices/weather`.
 */
export default defineEventHandler(async event => {
  const { outage } = weatherDevice.read()
  const refuse = (status: number, path: string, sentence: string) => {
    setResponseStatus(event, status)
    return { error: [{ path, sentence }] }
  }
  if (outage === 'down')
    return refuse(503, '', 'The weather service is down. Try again later, or load a record from a file.')
  if (outage === 'slow') await new Promise(done => setTimeout(done, SLOW_MS))
  const asked = getQuery(event)
  const read = query.safeParse(asked)
  if (!read.success) {
    const of = 'station' in asked ? query.options[0].safeParse(asked) : query.options[1].safeParse(asked)
    const issue = of.error!.issues[0]!
    return refuse(422, String(issue.path[0] ?? ''), issue.message)
  }
  if ('lat' in read.data) return { stations: stationsNear(read.data.lat, read.data.lon) }
  const { station: id, format, from = '', to = '9999' } = read.data
  const station = stationById(id)
  if (!station) return refuse(404, 'station', `There is no station “${id}”.`)
  const days = stationDays(station).filter(day => day.date >= from && day.date <= to)
  if (format === 'json') return { station, days }
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  const table = Papa.unparse(
    days.map(({ date, rainMm, tMinC, tMaxC }) => ({
      date,
      rain_mm: rainMm ?? '',
      t_min_c: tMinC ?? '',
      t_max_c: tMaxC ?? '',
    })),
  )
  if (outage === 'garbled') return `<html><body>Gateway time-out</body></html>`
  return outage === 'cut-off' ? table.slice(0, Math.floor(table.length * CUT_SHARE)) : table
})
