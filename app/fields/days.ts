import { DAY_MS } from '#core/units'
/** A format is dear to make: there is one of each. The Swedes write days as documents do. */
const AS_WRITTEN = new Intl.DateTimeFormat('sv')
const OF_THIS_YEAR = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' })
const OF_ANOTHER = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })

/** The day that it is here, as documents write it. */
export const dayToday = (): string => AS_WRITTEN.format(new Date())

/** A day as it is spoken: weekday and date near by, the year where it is another. */
export function dayWords(iso: string, today = dayToday()): string {
  const days = Math.round((Date.parse(iso) - Date.parse(today)) / DAY_MS)
  if (days === 0) return 'today'
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  const date = new Date(`${iso.slice(0, 10)}T12:00:00`)
  return (iso.slice(0, 4) === today.slice(0, 4) ? OF_THIS_YEAR : OF_ANOTHER).format(date)
}

/** The moment that it is here, by the minute. */
export const momentNow = (): string => new Date().toLocaleString('sv').replace(' ', 'T').slice(0, 16)

/** The day so many days from one, today unless told, as documents write it. */
export function daysAfter(days: number, from = dayToday()): string {
  const at = new Date(`${from}T12:00:00`)
  at.setDate(at.getDate() + days)
  return AS_WRITTEN.format(at)
}
