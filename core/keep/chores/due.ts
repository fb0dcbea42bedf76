import { min } from 'd3-array'
import { choresOf } from './chores'
import type { Chore } from './chore'
import { creeping } from '../watch/pumps'
import { isSpent } from '../watch/filters'
import { stood } from '../watch/chambers'
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
  const begun = Math.min(onDay, firstDay(log))
  const asks = askedFor(log, onDay)
  const told = new Map(site.chores?.map(each => [each.id, each]))
  return choresOf(site)
    .flatMap((chore): DueChore[] => {
      const own = told.get(chore.id)
      if (own?.never) return []
      const last = lastDone.get(chore.id)
      const until = own?.until === undefined ? -Infinity : dayNumber(own.until)
      const asked = asks(chore, last ?? -Infinity)
      const due = Math.max(Math.min(dueDay(chore, last, begun), asked), until)
      return [{ ...chore, last: last === undefined ? null : isoDate(last), due: isoDate(due), inDays: due - onDay }]
    })
    .sort((a, b) => a.inDays - b.inDays || (a.id < b.id ? -1 : 1))
}
/** The log's first day; none is as late as can be. Days as they are written come in the order of their letters. */
const firstDay = (log: readonly LogReading[]): number => {
  const first = min(log, ({ at }) => at.slice(0, 10))
  return first === undefined ? Infinity : dayNumber(first)
}

function dueDay({ comes }: Chore, last: number | undefined, begun: number): number {
  if (comes.by === 'season') return nextSeasonDay(last === undefined ? begun : last + EARLY_DAYS, comes.days)
  return monthsAfter(last ?? begun, comes.months)
}

/** So much rain in a day is a storm, mm: what it tears down is seen to afterwards. */
const STORM_MM = 30

/**
 * What in a log asks for a chore before its months are over: a filter that is spent, a pump whose starts creep up, a
 * chamber that stands full, a storm. The day of it, after the chore was done last; never, where nothing asks.
 */
function askedFor(log: readonly LogReading[], onDay: number): (chore: Chore, last: number) => number {
  const upTo = ({ at }: LogReading) => dayNumber(at) <= onDay
  const drops = log.filter(line => line.kind === 'drop' && line.value !== undefined && upTo(line))
  const standing = log.filter(line => line.kind === 'standing' && upTo(line))
  const storms = log.filter(line => line.kind === 'rain' && (line.value ?? 0) >= STORM_MM && upTo(line))
  const creeps = creeping(log, onDay).length > 0
  const firstAfter = (of: readonly LogReading[], last: number): number =>
    of.reduce((first, { at }) => (dayNumber(at) > last ? Math.min(first, dayNumber(at)) : first), Infinity)
  return ({ comes, subject }, last) => {
    if (comes.by === 'storm') return firstAfter(storms, last)
    if (comes.by !== 'reading') return Infinity
    switch (comes.when) {
      case 'starts':
        return creeps && onDay - last > CREEP_DAYS ? onDay : Infinity
      case 'standing':
        return firstAfter(
          standing.filter(each => each.subject === subject && stood(log, each, 0)),
          last,
        )
      case 'drop': {
        const own = drops.filter(each => each.subject === subject)
        const least = Math.min(...own.map(({ value }) => value!))
        return firstAfter(
          own.filter(({ value }) => isSpent(value!, least)),
          last,
        )
      }
    }
  }
}
/** Starts are weighed over weeks: those before the gas was seen to still count in them for so long. */
const CREEP_DAYS = 42
