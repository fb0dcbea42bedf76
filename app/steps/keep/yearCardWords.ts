import type { CardChore } from '#core/keep'
import { listed } from '#core/words'

/** How the year's card says a chore, and a month. */
export const choreWords = ({ what, also, minutes }: CardChore): string =>
  `${what}${also.length ? `; also ${listed(also)}` : ''} (${minutes} min)`
export const monthName = (from: string): string =>
  new Date(`${from}T12:00:00`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric' })
