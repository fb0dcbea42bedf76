import { MONTH_DAYS, dayNumber, monthsFrom, seriesOf, type DailySeries } from '../../climate'
import { weatherMonths, type Site } from '../../site'
import { dayOfReading } from './observed'
import type { LogReading } from '../../kinds'

/** The rain of a log's days, and whether each is known or only what is usual. */
export interface LogRain {
  series: DailySeries
  known: Uint8Array
}

/** Days after the last rain that was read count as dry for so long: nobody writes down that nothing fell. */
const SILENT_DAYS = 7

const QUARTER_MIN = 15
const DAY_MIN = 24 * 60
/** Minutes since the first of days at which a line was read; none where only its day is told. */
function minutesOf(at: string): number | undefined {
  const [, hours, minutes] = /T(\d{2}):(\d{2})/.exec(at) ?? []
  return hours === undefined ? undefined : dayNumber(at) * DAY_MIN + Number(hours) * 60 + Number(minutes)
}

/** The day on which rain fell that was read: that of a level which was read with it and has it in it, else its own. */
function rainDay(at: string, levels: readonly string[]): number {
  const minutes = minutesOf(at)
  if (minutes === undefined) return dayNumber(at)
  const beside = levels.find(level => Math.abs(minutesOf(level)! - minutes) <= QUARTER_MIN)
  return beside === undefined ? dayNumber(at) : dayOfReading(beside)
}

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
  const levels = log.filter(({ kind, at }) => kind === 'level' && minutesOf(at) !== undefined).map(({ at }) => at)
  for (const { kind, at, value } of log) {
    if (kind !== 'rain' || value === undefined) continue
    const day = rainDay(at, levels)
    read.set(day, Math.max(value, read.get(day) ?? 0))
  }
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
