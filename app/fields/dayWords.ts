/** A day as people say it, by its date alone: the browser's own words, so that no view waits for a library of dates. */
const words = (month: 'long' | 'short') => {
  const format = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month, timeZone: 'UTC' })
  return (isoDay: string): string => format.format(new Date(isoDay))
}
export const dayAndMonth = words('long')
export const dayAndShortMonth = words('short')
