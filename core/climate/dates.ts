import { dayOf } from './calendar'

export type DateOrder = 'ymd' | 'dmy' | 'mdy'
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

export interface DateCell {
  parts: [number, number, number]
  named: boolean
  timed: boolean
}

/** No date is longer, with its time and its zone. */
const MOST_LETTERS = 60

/** Splits a date cell into three numbers in the order they stand; a named month is put in the middle. */
export function splitDate(cell: string): DateCell | undefined {
  const text = cell.trim()
  if (text.length > MOST_LETTERS) return undefined
  const compact = /^(\d{4})(\d{2})(\d{2})$/.exec(text)
  if (compact)
    return { parts: [Number(compact[1]), Number(compact[2]), Number(compact[3])], named: false, timed: false }
  const plain = /^(\d{1,4})[-/. ](\d{1,2})[-/. ](\d{1,4})\.?(?:[T ,]+\d{1,2}[:.h]\d{2}.*)?$/.exec(text)
  if (plain)
    return { parts: [number(plain[1]!), number(plain[2]!), number(plain[3]!)], named: false, timed: /[:h]/.test(text) }
  const named = /^(\d{1,4})[-/. ]*([a-z]{3})[a-z]*\.?[-/., ]*(\d{1,4})$/i.exec(text)
  const leading = /^([a-z]{3})[a-z]*\.?[-/. ]*(\d{1,2}),?[-/. ]+(\d{4})$/i.exec(text)
  const month = MONTHS.indexOf((named?.[2] ?? leading?.[1] ?? '').toLowerCase()) + 1
  if (!month) return undefined
  return {
    parts: named ? [Number(named[1]), month, Number(named[3])] : [Number(leading![2]), month, Number(leading![3])],
    named: true,
    timed: false,
  }
}

/** Year 0001 is a slip, and not 2001: no day has it. */
const number = (part: string) => (part.length === 4 && part.startsWith('0') ? Number.NaN : Number(part))

/**
 * A day number from the three numbers in an order; undefined where there is no such day. Two-digit years are 1930 to
 * 2029.
 */
export function orderedDay({ parts, named }: DateCell, order: DateOrder): number | undefined {
  const [a, b, c] = parts
  if (named) return a > 31 ? dayOf(a, b, c) : dayOf(fullYear(c), b, a)
  if (a > 31 || order === 'ymd') return dayOf(fullYear(a), b, c)
  return order === 'dmy' ? dayOf(fullYear(c), b, a) : dayOf(fullYear(c), a, b)
}

function fullYear(year: number): number {
  return year > 99 ? year : year < 30 ? 2000 + year : 1900 + year
}

/**
 * The order that makes days of all cells. Sure when only one does; where two do, the one whose days follow one
 * another.
 */
export function guessOrder(cells: DateCell[]): { order: DateOrder; sure: boolean } {
  const orders: DateOrder[] = ['ymd', 'dmy', 'mdy']
  const scores = orders.map(order => {
    const days = cells.map(cell => orderedDay(cell, order))
    const valid = days.filter(day => day !== undefined).length
    const following = days.filter(
      (day, index) =>
        index > 0 &&
        day !== undefined &&
        days[index - 1] !== undefined &&
        (day - days[index - 1]! === 1 || day === days[index - 1]),
    ).length
    return { order, valid, following }
  })
  scores.sort((x, y) => y.valid - x.valid || y.following - x.following)
  const [best, next] = [scores[0]!, scores[1]!]
  const same = cells.every(cell => orderedDay(cell, best.order) === orderedDay(cell, next.order))
  return { order: best.order, sure: same || best.valid > next.valid || best.following > next.following * 2 + 2 }
}

/** The day of a line, and whether it tells a time of day. */
export interface DatedLine {
  day: number
  timed: boolean
}

/**
 * Reads the dates of lines that follow one another, or says why a line has none. Lines of the same day, of which an
 * hourly record has many, are read as one.
 */
export function dayReader(order: DateOrder): (text: string) => DatedLine | string {
  let before = ''
  let kept: DatedLine | string = ''
  return text => {
    const colon = text.indexOf(':')
    const date = colon > 3 && /^\d{2}:\d{2}/.test(text.slice(colon - 2)) ? text.slice(0, colon - 2) : ''
    if (date && date === before) return kept
    const cell = splitDate(text)
    const day = cell && orderedDay(cell, order)
    before = cell?.timed ? date : ''
    if (cell === undefined) kept = 'no date in the date column'
    else kept = day === undefined ? 'there is no such date' : { day, timed: cell.timed }
    return kept
  }
}
