import type { Climate } from '../site'
import { dayNumber, isoDate, monthOf, yearOf } from './calendar'
import { makeRain } from './rainMaker'

/** Rain by day with the calendar the daily balance needs. */
export interface DailySeries {
  startDay: number
  rainMm: Float64Array
  /** Month of each day, 0 for January. */
  month: Uint8Array
  /** Whole calendar years, as index ranges [from, to). Where the series holds no whole year, all of it as one. */
  years: { year: number, from: number, to: number }[]
  /** True where the weather was made from monthly figures and not measured. */
  made: boolean
}

export const MADE_YEARS = 30
const MADE_START = '2001-01-01'

export function seriesOf(startDay: number, rainMm: Float64Array, made: boolean): DailySeries {
  const month = new Uint8Array(rainMm.length)
  const years: DailySeries['years'] = []
  let from = 0
  for (let index = 0; index < rainMm.length; index++) {
    month[index] = monthOf(startDay + index)
    const last = index === rainMm.length - 1 || yearOf(startDay + index + 1) !== yearOf(startDay + index)
    if (!last) continue
    const year = yearOf(startDay + index)
    const whole = isoDate(startDay + from).endsWith('-01-01') && isoDate(startDay + index).endsWith('-12-31')
    if (whole) years.push({ year, from, to: index + 1 })
    from = index + 1
  }
  if (!years.length) years.push({ year: yearOf(startDay), from: 0, to: rainMm.length })
  return { startDay, rainMm, month, years, made }
}

/** The rain a climate runs on: its own record, or years made from its monthly figures (the same seed, the same years). */
export function dailySeries(climate: Climate, options: { years?: number, seed?: number } = {}): DailySeries {
  if (climate.daily) return seriesOf(dayNumber(climate.daily.start), Float64Array.from(climate.daily.rainMm), false)
  return seriesOf(dayNumber(MADE_START), makeRain(climate.months, dayNumber(MADE_START), options.years ?? MADE_YEARS, options.seed ?? 1), true)
}
