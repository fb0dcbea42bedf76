import { monthOf } from './calendar'

/** Least rain that makes a day wet, mm. */
export const WET_DAY_MM = 0.2

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
  const lengths = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  return sums.map((sum, month) => ({
    rainMm: sum.days ? (sum.rain / sum.days) * lengths[month]! : 0,
    wetDays: sum.days ? Math.min(31, (sum.wet / sum.days) * lengths[month]!) : 0,
    ...(sum.lowDays && sum.highDays ? { tMinC: sum.low / sum.lowDays, tMaxC: sum.high / sum.highDays } : {}),
  }))
}
