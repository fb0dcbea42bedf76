import { choresOf } from './chores'
import type { Chore } from './chore'
import { dueChores, monthsAfter, nextSeasonDay } from './due'
import { placeName } from '../places'
import { dayNumber, isoDate } from '../../climate'
import type { Site } from '../../site'
import type { LogReading } from '../../kinds'

/** Chores of one kind that come round in one month: the first as it is called, and where else it is done. */
export interface CardChore {
  ids: string[]
  what: string
  also: string[]
  /** The first day on which one of them comes. */
  day: string
  minutes: number
}
/** A month of the card that hangs in the shed: what comes round in it, and the day where it has one. */
export interface CardMonth {
  /** Its first day. */
  from: string
  chores: CardChore[]
}
const MONTHS = 12

/** The card of a year: what comes every month is said once, with a box for each. */
export interface YearCard {
  monthly: CardChore[]
  months: CardMonth[]
}

/** The chores of the twelve months from the one that a day is in; what is late stands in the first. */
export function yearCard(site: Site, log: readonly LogReading[], on: string): YearCard {
  const first = dayNumber(`${on.slice(0, 7)}-01`)
  const months = Array.from({ length: MONTHS }, (_, at): CardMonth => ({
    from: isoDate(monthsAfter(first, at)),
    chores: [],
  }))
  const monthly: CardChore[] = []
  const past = monthsAfter(first, MONTHS)
  for (const chore of dueChores(site, log, on)) {
    if (chore.comes.by !== 'season' && chore.comes.months === 1) put(site, monthly, chore, chore.due)
    else
      for (let day = dayNumber(chore.due), times = 0; day < past && times < MONTHS; times++) {
        const shown = isoDate(Math.max(day, dayNumber(on)))
        put(site, months.find(({ from }) => from.slice(0, 7) === shown.slice(0, 7))!.chores, chore, shown)
        day = nextTime(chore, dayNumber(shown))
      }
  }
  for (const { chores } of months) chores.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
  return { monthly, months }
}

/** Puts a chore among others, beside those of its kind. */
function put(site: Site, among: CardChore[], { id, what, subject, minutes }: Chore, day: string): void {
  const stem = id.slice(0, id.indexOf(':'))
  const alike = among.find(({ ids }) => ids[0]!.startsWith(`${stem}:`))
  if (!alike) return void among.push({ ids: [id], what, also: [], day, minutes: minutes[1] })
  alike.ids.push(id)
  const where = site.roofs.find(roof => roof.id === subject)?.name ?? placeName(site, subject)
  if (!alike.also.includes(where) && !alike.what.includes(where)) alike.also.push(where)
  alike.minutes += minutes[1]
}
/** When it comes round again once it is done on a day. */
const nextTime = ({ comes }: Chore, day: number): number =>
  comes.by === 'season' ? nextSeasonDay(day, comes.days) : monthsAfter(day, comes.months)

/** Cautions that hold for any chore of a site, each once. */
export const cardCautions = (site: Site): string[] => [
  ...new Set(choresOf(site).flatMap(({ caution }) => (caution ? [caution] : []))),
]
