import { monthOf } from './calendar'

/** Least rain that makes a day wet, mm. */
export const WET_DAY_MM = 0.2

const LENGTHS = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

export interface MonthFigures {
  rainMm: number
  wetDays: number
  tMinC?: number
  tMaxC?: number
}

/** Mean rain, wet days and temperatures of each month. */
export function monthFigures(
  firstDay: number,
  rainMm: ArrayLike<number>,
  tMin?: ArrayLike<number>,
  tMax?: ArrayLike<number>,
): MonthFigures[] {
  const sums = Array.from({ length: 12 }, () => ({
    days: 0,
    rain: 0,
    wet: 0,
    low: 0,
    lowDays: 0,
    high: 0,
    highDays: 0,
  }))
  for (let index = 0; index < rainMm.length; index++) {
    const sum = sums[monthOf(firstDay + index)]!
    sum.days++
    sum.rain += rainMm[index]!
    if (rainMm[index]! >= WET_DAY_MM) sum.wet++
    if (tMin && Number.isFinite(tMin[index])) {
      sum.low += tMin[index]!
      sum.lowDays++
    }
    if (tMax && Number.isFinite(tMax[index])) {
      sum.high += tMax[index]!
      sum.highDays++
    }
  }
  return sums.map((sum, month) => ({
    rainMm: sum.days ? (sum.rain / sum.days) * LENGTHS[month]! : 0,
    wetDays: sum.days ? Math.min(31, (sum.wet / sum.days) * LENGTHS[month]!) : 0,
    ...(sum.lowDays && sum.highDays ? { tMinC: sum.low / sum.lowDays, tMaxC: sum.high / sum.highDays } : {}),
  }))
}

/** Whether lines so many days apart are one a month. */
export const isMonthly = (apartDays: number): boolean => apartDays >= 28 && apartDays <= 31

/**
 * Mean rain of each month of a record whose lines are sums of so many days; a sum counts for the month it is dated in.
 * Wet days cannot be told from sums.
 */
export function monthsOfSums(firstDay: number, rainMm: ArrayLike<number>, apartDays: number): MonthFigures[] {
  const sums = LENGTHS.map(lengthDays => ({ lengthDays, lines: 0, rain: 0 }))
  for (let index = 0; index < rainMm.length; index++) {
    if (Number.isNaN(rainMm[index])) continue
    const month = sums[monthOf(firstDay + index)]!
    month.lines++
    month.rain += rainMm[index]!
  }
  // A month's own sum is that of its days, whether it has 28 or 31.
  const monthly = isMonthly(apartDays)
  return sums.map(({ lengthDays, lines, rain }) => ({
    rainMm: lines ? (rain / lines) * (monthly ? 1 : lengthDays / apartDays) : 0,
    wetDays: 0,
  }))
}
