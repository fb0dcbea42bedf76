import { DAY_MS } from '../units'
/** Days are counted from 1970-01-01; a calendar is all the climate needs of time. */

export function dayNumber(isoDate: string): number {
  return Math.round(
    Date.UTC(Number(isoDate.slice(0, 4)), Number(isoDate.slice(5, 7)) - 1, Number(isoDate.slice(8, 10))) / DAY_MS,
  )
}

/** The day number of a calendar date, or undefined where there is no such date. */
export function dayOf(year: number, month: number, day: number): number | undefined {
  const at = new Date(0)
  at.setUTCFullYear(year, month - 1, day)
  return at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === day
    ? Math.round(at.getTime() / DAY_MS)
    : undefined
}

export function isoDate(day: number): string {
  return new Date(day * DAY_MS).toISOString().slice(0, 10)
}

export function yearOf(day: number): number {
  return new Date(day * DAY_MS).getUTCFullYear()
}

/** Month of a day, 0 for January. */
export function monthOf(day: number): number {
  return new Date(day * DAY_MS).getUTCMonth()
}

/** Month of each of so many days, 0 for January. A month is looked up once, not once a day. */
export function monthsFrom(startDay: number, days: number): Uint8Array {
  const month = new Uint8Array(days)
  const first = new Date(startDay * DAY_MS)
  let [year, index] = [first.getUTCFullYear(), first.getUTCMonth()]
  for (let from = 0; from < days; index++) {
    if (index === 12) {
      index = 0
      year++
    }
    const to = Math.min(days, Math.round(Date.UTC(year, index + 1, 1) / DAY_MS) - startDay)
    month.fill(index, from, to)
    from = to
  }
  return month
}

/** A mean year, leap years counted in. */
export const DAYS_A_YEAR = 365.25
export const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const
