/** The day that it is here, as documents write it. */
export const dayToday = (): string => new Date().toLocaleDateString('sv')

/** A day as it is spoken: weekday and date near by, the year where it is another. */
export function dayWords(iso: string, today = dayToday()): string {
  const days = Math.round((Date.parse(iso) - Date.parse(today)) / 86_400_000)
  if (days === 0) return 'today'
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  const date = new Date(`${iso.slice(0, 10)}T12:00:00`)
  const year = iso.slice(0, 4) === today.slice(0, 4) ? undefined : 'numeric'
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year })
}

/** The moment that it is here, by the minute. */
export const momentNow = (): string => new Date().toLocaleString('sv').replace(' ', 'T').slice(0, 16)

/** The day so many days from one, today unless told, as documents write it. */
export function daysAfter(days: number, from = dayToday()): string {
  const at = new Date(`${from}T12:00:00`)
  at.setDate(at.getDate() + days)
  return at.toLocaleDateString('sv')
}
