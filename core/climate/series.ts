import { fiveYearBurstMmPerH, rainFactor, weatherMonths, type Climate, type Site } from '../site'
import { dayNumber, isoDate, monthOf, yearOf } from './calendar'
import { fitRain } from './fitRain'
import { makeRain } from './rainMaker'
import { shiftRecord } from './shiftRecord'
import { fiveYearDayMm, stormSplit } from './storm'

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
  /** How the rain of a wet day is spread over it, hardest five minutes first; unknown where no storm is. */
  split?: Float64Array
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

type Weather = Pick<Site, 'climate' | 'place'>

/**
 * The rain that a site runs on, under its climate's shift: its own record; years made from that record; or years made from the monthly
 * figures (the same seed, the same years).
 */
export function dailySeries(weather: Weather, options: { years?: number, seed?: number } = {}): DailySeries {
  const series = rainOf(weather, options)
  const burst = fiveYearBurstMmPerH(weather)
  return burst ? { ...series, split: stormSplit(fiveYearDayMm(series.rainMm), burst) } : series
}

function rainOf(weather: Weather, { years = MADE_YEARS, seed = 1 }: { years?: number, seed?: number }): DailySeries {
  const { daily, runOn } = weather.climate
  if (daily && runOn !== 'made') return seriesOf(dayNumber(daily.start), shiftRecord(weather, daily), false)
  const start = dayNumber(MADE_START)
  return seriesOf(start, makeRain(daily ? shiftedFit(weather, daily) : weatherMonths(weather), start, years, seed), true)
}

function shiftedFit(weather: Weather, daily: NonNullable<Climate['daily']>) {
  const fewer = weather.climate.shift?.fewerDaysShare ?? 0
  return fitRain(dayNumber(daily.start), daily.rainMm).map((month, index) => ({ ...month, rainMm: month.rainMm * rainFactor(weather, index), wetDays: month.wetDays * (1 - fewer) }))
}

const made = new WeakMap<Climate, { southern: boolean, series: DailySeries }>()

/** The site's series, made once for as long as its climate is the same object. */
export function weatherSeries(weather: Weather): DailySeries {
  const southern = weather.place.latitudeDeg < 0
  const known = made.get(weather.climate)
  if (known?.southern === southern) return known.series
  const series = dailySeries(weather)
  made.set(weather.climate, { southern, series })
  return series
}
