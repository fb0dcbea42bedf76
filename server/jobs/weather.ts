import Papa from 'papaparse'
import { z } from 'zod'
import { stationById, stationDays, stationsNear, type Outside } from '../devices/weatherService'
import { refused } from '../lib/refused'

/** Degrees as an address tells them. */
const degrees = (most: number, name: string) =>
  z
    .string({ error: `${name} must be a number of degrees.` })
    .regex(/^\s*[+-]?(\d+\.?\d*|\.\d+)\s*$/, `${name} must be a number of degrees.`)
    .transform(Number)
    .pipe(z.number().min(-most, `${name} must be at least −${most}.`).max(most, `${name} must be at most ${most}.`))
const day = (name: string, such: string) => z.iso.date(`${name} must be a date, such as ${such}.`).optional()
const stationSchema = z.object({
  station: z.string('station must be said once.').max(40, 'station must be the id of a station.'),
  format: z.enum(['json', 'csv'], { error: 'format must be json or csv.' }).default('json'),
  from: day('from', '1991-01-01'),
  to: day('to', '2020-12-31'),
})
const pointSchema = z.object({ lat: degrees(90, 'lat'), lon: degrees(180, 'lon') })

function read<Schema extends z.ZodType>(schema: Schema, asked: unknown): z.infer<Schema> {
  const found = schema.safeParse(asked)
  if (found.success) return found.data
  const [issue] = found.error.issues
  throw refused(422, issue!.message, String(issue!.path[0] ?? ''))
}

/** Stations near a point, a station's days, or these as a table: `{ outside, asked }`, what was asked as it came. */
export function weatherJob(json: unknown) {
  const { outside, asked } = json as { outside: Outside; asked: Record<string, unknown> }
  if (!('station' in asked)) {
    const { lat, lon } = read(pointSchema, asked)
    return { stations: stationsNear(outside, lat, lon) }
  }
  const { station: id, format, from = '', to = '9999' } = read(stationSchema, asked)
  const station = stationById(outside, id)
  if (!station) throw refused(404, `There is no station “${id}”; ask with lat and lon which there are.`, 'station')
  if (station === 'impossible') throw refused(422, `station: “${id}” would lie nowhere on earth.`, 'station')
  if (from > to) throw refused(422, 'from must not be later than to.', 'from')
  const days = stationDays(outside, station).filter(({ date }) => date >= from && date <= to)
  if (format === 'json') return { station, days }
  return {
    table: Papa.unparse(
      days.map(({ date, rainMm, tMinC, tMaxC }) => ({
        date,
        rain_mm: rainMm ?? '',
        t_min_c: tMinC ?? '',
        t_max_c: tMaxC ?? '',
      })),
    ),
  }
}
