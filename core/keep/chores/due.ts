import { choresOf, type Chore } from './chores'
import { dayNumber, dayOf, isoDate } from '../../climate'
import type { Site } from '../../site'
import type { LogReading } from '../../kinds'

/** A chore with its days: when it was done last, and when it is due. */
export interface DueChore extends Chore {
  last: string | null
  due: string
  /** Days until it is due; less than nothing where it is late. */
  inDays: number
}

/** So many months after a day; where that month is shorter, its last day. */
export function monthsAfter(day: number, months: number): number {
  const date = isoDate(day)
  const [year, month, of] = [Number(date.slice(0, 4)), Number(date.slice(5, 7)) - 1 + months, Number(date.slice(8, 10))]
  const [toYear, toMonth] = [year + Math.floor(month / 12), (month % 12) + 1]
  for (let at = of; at > 27; at--) {
    const found = dayOf(toYear, toMonth, at)
    if (found !== undefined) return found
  }
  return dayOf(toYear, toMonth, Math.min(of, 27))!
}

/** The next such day of a year after a day, itself left out. */
export function nextSeasonDay(day: number, days: readonly { month: number; day: number }[]): number {
  const year = Number(isoDate(day).slice(0, 4))
  const found = [year, year + 1]
    .flatMap(each => days.map(({ month, day: of }) => dayOf(each, month, of)!))
    .filter(each => each > day)
  return Math.min(...found)
}

/** A chore that is done a little before its day of the year counts for that day. */
const EARLY_DAYS = 21

/**
 * A site's chores with their days, the most pressing first. One that nobody has done yet counts from the first line of
 * the log; those put off wait, and those that are never to come here are left out.
 */
export function dueChores(site: Site, log: readonly LogReading[], on: string): DueChore[] {
  const onDay = dayNumber(on)
  const lastDone = new Map<string, number>()
  for (const { kind, subject, at } of log)
    if (kind === 'chore' && subject !== undefined && dayNumber(at) <= onDay)
      lastDone.set(subject, Math.max(dayNumber(at), lastDone.get(subject) ?? -Infinity))
  const begun = log.length ? Math.min(onDay, ...firstDays(log)) : onDay
  const told = new Map(site.chores?.map(each => [each.id, each]))
  return choresOf(site)
    .flatMap((chore): DueChore[] => {
      const own = told.get(chore.id)
      if (own?.never) return []
      const last = lastDone.get(chore.id)
      const until = own?.until === undefined ? -Infinity : dayNumber(own.until)
      const due = Math.max(dueDay(chore, last, begun), until)
      return [{ ...chore, last: last === undefined ? null : isoDate(last), due: isoDate(due), inDays: due - onDay }]
    })
    .sort((a, b) => a.inDays - b.inDays || (a.id < b.id ? -1 : 1))
}
/** The log's first day; a long one is not spread into arguments. */
function firstDays(log: readonly LogReading[]): [number] {
  return [log.reduce((least, { at }) => Math.min(least, dayNumber(at)), Infinity)]
}

function dueDay({ comes }: Chore, last: number | undefined, begun: number): number {
  if (comes.by === 'season') return nextSeasonDay(last === undefined ? begun : last + EARLY_DAYS, comes.days)
  return monthsAfter(last ?? begun, comes.months)
}
