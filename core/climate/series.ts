import { fiveYearDayMm, stormSplit } from './storm'
import { shiftRecord } from './shiftRecord'
import { makeRain } from './rainMaker'
import { slowOfRecord, slowOfSpread } from './slowFactor'
import { fitRain } from './fitRain'
import { dayNumber, dayOf, monthsFrom, yearOf } from './calendar'
import {
  annualSpreadShare,
  et0Mm,
  fiveYearBurstMmPerH,
  isSpreadByRule,
  rainFactor,
  remembered,
  weatherMonths,
  type Climate,
  type Site,
} from '../site'

/** Rain by day with the calendar the daily balance needs. */
export interface DailySeries {
  startDay: number
  rainMm: Float64Array
  /** Month of each day, 0 for January. */
  month: Uint8Array
  /** Whole calendar years, as index ranges [from, to). Where there is none, the first 365 days, or all there is. */
  years: { year: number; from: number; to: number }[]
  /** True where the weather was made from monthly figures and not measured. */
  made: boolean
  /** How the rain of a wet day is spread over it, hardest five minutes first; unknown where no storm is. */
  split?: Float64Array
  /** What chance beside the weather draws from: the made years' own seed; one where there is none. */
  seed?: number
  /** The days' own warmth, where the record has temperatures; else the months' means stand. */
  warmth?: { et0Mm: Float64Array; meanC: Float64Array }
}

export const MADE_YEARS = 30
const SHORT_YEAR_DAYS = 365
const MADE_START = '2001-01-01'

export function seriesOf(startDay: number, rainMm: Float64Array, made: boolean): DailySeries {
  const days = rainMm.length
  const month = monthsFrom(startDay, days)
  const years: DailySeries['years'] = []
  for (let from = 0, year = yearOf(startDay); from < days; year++) {
    const [first, next] = [dayOf(year, 1, 1)! - startDay, dayOf(year + 1, 1, 1)! - startDay]
    if (from === first && next <= days) years.push({ year, from, to: next })
    from = next
  }
  // No whole calendar year: a year from the first day on, or all there is where that is less.
  if (!years.length) years.push({ year: yearOf(startDay), from: 0, to: Math.min(days, SHORT_YEAR_DAYS) })
  return { startDay, rainMm, month, years, made }
}

type Weather = Pick<Site, 'climate' | 'place'>

/**
 * The rain that a site runs on, under its climate's shift: its own record; years made from that record; or years made
 * from the monthly
 * figures (the same seed, the same years).
 */
export function dailySeries(weather: Weather, options: { years?: number; seed?: number } = {}): DailySeries {
  const series = rainOf(weather, options)
  const burst = fiveYearBurstMmPerH(weather)
  return burst ? { ...series, split: stormSplit(fiveYearDayMm(series.rainMm), burst) } : series
}

function rainOf(weather: Weather, { years = MADE_YEARS, seed = 1 }: { years?: number; seed?: number }): DailySeries {
  const { daily, runOn } = weather.climate
  if (daily && runOn !== 'made') {
    const series = seriesOf(dayNumber(daily.start), shiftRecord(weather, daily), false)
    return { ...series, warmth: warmthOf(weather, daily, series.month) }
  }
  const { startDay, make } = memberRain(weather, years)
  return { ...seriesOf(startDay, make(seed), true), seed }
}

/** What each day of a record with temperatures takes from a reference lawn, and how warm it is. */
function warmthOf({ place }: Weather, { tMinC, tMaxC }: NonNullable<Climate['daily']>, month: Uint8Array) {
  if (!tMinC || !tMaxC) return undefined
  return {
    et0Mm: Float64Array.from(month, (at, day) => et0Mm(place.latitudeDeg, at, tMinC[day]!, tMaxC[day]!)),
    meanC: Float64Array.from(month, (_, day) => (tMinC[day]! + tMaxC[day]!) / 2),
  }
}

/** Makes the rain of any member of an ensemble: the site's climate with another seed, on one calendar. */
export function memberRain(
  weather: Weather,
  years: number,
): { startDay: number; make: (seed: number) => Float64Array } {
  const { daily } = weather.climate
  const startDay = dayNumber(MADE_START)
  const months = daily ? shiftedFit(weather, daily) : weatherMonths(weather)
  const spreadShare = annualSpreadShare(weather)
  // How a record's months and years differ is read off it as it was measured; a shift moves their mean.
  const slow = daily
    ? slowOfRecord(
        dayNumber(daily.start),
        daily.rainMm,
        fitRain(dayNumber(daily.start), daily.rainMm),
        spreadShare,
        isSpreadByRule(weather),
      )
    : slowOfSpread(months, spreadShare, isSpreadByRule(weather))
  return { startDay, make: seed => makeRain(months, startDay, years, seed, slow) }
}

function shiftedFit(weather: Weather, daily: NonNullable<Climate['daily']>) {
  const fewer = weather.climate.shift?.fewerDaysShare ?? 0
  return fitRain(dayNumber(daily.start), daily.rainMm).map((month, index) => ({
    ...month,
    rainMm: month.rainMm * rainFactor(weather, index),
    wetDays: month.wetDays * (1 - fewer),
  }))
}

/** The site's series, made once for as long as its climate and its place are the same. */
export const weatherSeries = remembered(['climate', 'place'], (weather: Weather): DailySeries => dailySeries(weather))
