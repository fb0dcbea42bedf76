import { MONTH_DAYS, dayNumber, monthsFrom, seriesOf, type DailySeries } from '../../climate'
import { weatherMonths, type Site } from '../../site'
import type { LogReading } from '../../kinds'

/** The rain of a log's days, and whether each is known or only what is usual. */
export interface LogRain {
  series: DailySeries
  known: Uint8Array
}

/** Days after the last rain that was read count as dry for so long: nobody writes down that nothing fell. */
const SILENT_DAYS = 7

/**
 * Rain from one day to another: as it was read; where nobody reads rain, as the site's record has it; else what is usual
 * at that season, a little every day. Between the first and the last reading of rain a day without one was dry.
 */
export function logRain(site: Site, log: readonly LogReading[], fromDay: number, toDay: number): LogRain {
  const days = Math.max(0, toDay - fromDay + 1)
  const rainMm = new Float64Array(days)
  const known = new Uint8Array(days)
  const months = weatherMonths(site)
  const month = monthsFrom(fromDay, days)
  for (let day = 0; day < days; day++) rainMm[day] = months[month[day]!]!.rainMm / MONTH_DAYS[month[day]!]!
  const { daily } = site.climate
  if (daily) {
    const start = dayNumber(daily.start)
    for (let day = Math.max(0, start - fromDay); day < days; day++) {
      const at = fromDay + day - start
      if (at >= daily.rainMm.length) break
      rainMm[day] = daily.rainMm[at]!
      known[day] = 1
    }
  }
  const read = new Map<number, number>()
  // The same gauge told twice on a day fell once: the most of it stands.
  for (const { kind, at, value } of log)
    if (kind === 'rain' && value !== undefined) read.set(dayNumber(at), Math.max(value, read.get(dayNumber(at)) ?? 0))
  if (read.size) {
    const all = [...read.keys()]
    const [first, last] = [Math.min(...all), Math.max(...all)]
    for (let day = Math.max(first, fromDay); day <= Math.min(last + SILENT_DAYS, toDay); day++) {
      rainMm[day - fromDay] = read.get(day) ?? 0
      known[day - fromDay] = 1
    }
  }
  return { series: seriesOf(fromDay, rainMm, false), known }
}
