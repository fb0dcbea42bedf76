import { sum } from 'd3-array'
import { refuse, type Refusal } from '../answers'
import { tableOf } from './rows'
import { RAIN_UNITS, type RainUnit } from './rainUnits'
import { monthFigures, monthsOfSums, type MonthFigures } from './months'
import { fillGaps, type GapFill } from './gaps'
import { dayReader, guessOrder, splitDate, type DateOrder } from './dates'
import { guessColumns, looksLikeHeader, namesUnit, type Columns } from './columns'
import {
  belowDoubt,
  columnDoubt,
  likelyLines,
  likelyUnit,
  linesDoubt,
  MOST_YEAR_MM,
  ORDER_DOUBT,
  type Doubt,
} from './doubts'
import { dayCollector } from './collect'
import { DAYS_A_YEAR, isoDate } from './calendar'

/** What the person corrects about a reading; everything left out is guessed. */
export interface RecordChoices {
  columns?: Partial<Columns>
  unit?: RainUnit
  order?: DateOrder
  gaps?: GapFill
  /** What a line holds: a day's rain, or the sum of all days since the line before. */
  lines?: 'days' | 'sums'
  /** What a depth below nothing means. */
  below?: 'missing' | 'dry'
}

export interface RecordReading {
  ok: true
  header: string[]
  delimiter: string
  columns: Columns
  order: DateOrder
  unit: RainUnit
  gaps: GapFill
  /** Things to settle before the record counts, each with why. */
  questions: Doubt[]
  lines: 'days' | 'sums'
  rows: number
  start: string
  end: string
  days: number
  missingDays: number
  flagged: number
  /** Lines with a depth below nothing. */
  below: number
  trace: number
  duplicates: number
  /** True where several lines a day were added up. */
  summed: boolean
  unreadable: { line: number; text: string; why: string }[]
  unreadableCount: number
  yearlyMm: number
  wettest: { date: string; rainMm: number }
  months: MonthFigures[]
  /** Of each day; none where the lines are sums. */
  rainMm: number[]
}
const MOST_LISTED = 20
const LEAST_DAYS = 28
const MOST_DAYS = 80000
const MOST_DAY_MM = 2000

/** How the lines of a table are to be read: where they begin, what stands where, in which order. */
interface Layout {
  header: string[]
  /** What stands above the header, a line each. */
  preamble: string[]
  firstLine: number
  columns: Columns & { rain: number }
  dateText: (row: string[]) => string
  order: DateOrder
  orderIsSure: boolean
}
function layoutOf({ head }: ReturnType<typeof tableOf>, choices: RecordChoices): Layout | Refusal {
  if (!head.length) return refuse('The file is empty.')
  const first = head.findIndex(row => !looksLikeHeader(row.cells))
  if (first < 0)
    return refuse('No line of this file holds a date and a number. It needs a date column and a rain column.')
  const header = first > 0 ? head[first - 1]!.cells : []
  const sample = head.slice(first).map(row => row.cells)
  const columns = { ...guessColumns(header, sample.slice(0, 400)), ...choices.columns } as Columns
  if (!columns.date.length) return refuse(noDates(header))
  if (columns.rain === undefined || columns.rain < 0)
    return refuse('No column with rain was found. Name the column that holds it.')
  const joined = columns.date.length > 1
  const dateText = (row: string[]) =>
    joined ? columns.date.map(column => row[column]?.trim() ?? '').join('-') : (row[columns.date[0]!]?.trim() ?? '')
  const guess = guessOrder(sample.map(row => splitDate(dateText(row))).filter(cell => cell !== undefined))
  return {
    header,
    preamble: head.slice(0, first).map(row => row.cells.join(' ')),
    firstLine: head[first]!.line,
    columns: { ...columns, rain: columns.rain },
    dateText,
    order: choices.order ?? (joined ? 'ymd' : guess.order),
    orderIsSure: guess.sure || choices.order !== undefined || joined,
  }
}

/** The days of a table as they were written, and the lines that could not be read. */
interface Days {
  collected: ReturnType<ReturnType<typeof dayCollector>['collected']>
  rows: number
  unreadable: RecordReading['unreadable']
  unreadableCount: number
}
function daysOf(
  table: ReturnType<typeof tableOf>,
  { firstLine, columns, dateText, order }: Layout,
  below: RecordChoices['below'],
  progress?: (share: number) => void,
): Days | Refusal {
  const unreadable: RecordReading['unreadable'] = []
  let [unreadableCount, rows] = [0, 0]
  const reject = (line: number, cells: string[], why: string) => {
    unreadableCount++
    if (unreadable.length < MOST_LISTED) unreadable.push({ line, text: cells.join(table.delimiter).slice(0, 80), why })
  }
  const readDay = dayReader(order)
  const collector = dayCollector(reject, below)
  table.each(({ line, cells }) => {
    if (line < firstLine) return
    rows++
    const date = readDay(dateText(cells))
    if (typeof date === 'string') return reject(line, cells, date)
    const [rain, tMin, tMax] = [cells[columns.rain] ?? '', cellAt(cells, columns.tMin), cellAt(cells, columns.tMax)]
    collector.add(date, { line, rain, tMin, tMax })
  }, progress)
  if (!collector.lines()) return refuseLines('Not one line could be read as a day.', unreadable)
  const collected = collector.collected()
  const { firstDay, lastDay, known } = collected
  if (lastDay - firstDay + 1 > MOST_DAYS)
    return refuse(
      `The dates run from ${isoDate(firstDay)} to ${isoDate(lastDay)}, more than 200 years. Check the date column ` +
        'and the order of day and month.',
    )
  if (known < LEAST_DAYS)
    return refuseLines(
      `Only ${known} days with a figure were found; a record needs at least ${LEAST_DAYS}.`,
      unreadable,
    )
  return { collected, rows, unreadable: unreadable.sort((a, b) => a.line - b.line), unreadableCount }
}

/** What rain the days had, in millimetres; refused where no place on earth has that. */
function rainOf(
  { firstDay, lastDay, tMin, tMax, apartDays }: Days['collected'],
  measured: number[],
  lines: 'days' | 'sums',
  gaps: GapFill,
): Pick<RecordReading, 'wettest' | 'rainMm' | 'months' | 'yearlyMm'> | Refusal {
  const isDaily = lines === 'days'
  const wettestAt = measured.reduce(
    (best, value, index) => (value > (measured[best] ?? 0) || Number.isNaN(measured[best]) ? index : best),
    0,
  )
  const wettest = { date: isoDate(firstDay + wettestAt), rainMm: measured[wettestAt]! }
  if (wettest.rainMm > MOST_DAY_MM && isDaily)
    return refuse(
      `The wettest day, ${wettest.date}, would have ${Math.round(wettest.rainMm)} mm. No day on earth has had that; ` +
        'choose another unit or rain column.',
    )
  const rainMm = isDaily ? fillGaps(firstDay, measured, gaps) : []
  const months = isDaily ? monthFigures(firstDay, rainMm, tMin, tMax) : monthsOfSums(firstDay, measured, apartDays)
  const yearlyMm = isDaily
    ? (sum(rainMm) / (lastDay - firstDay + 1)) * DAYS_A_YEAR
    : sum(months.map(({ rainMm: ofMonth }) => ofMonth))
  if (yearlyMm > MOST_YEAR_MM)
    return refuse(
      `This would be ${Math.round(yearlyMm)} mm a year. No place on earth has that; choose another unit or rain ` +
        'column.',
    )
  return { wettest, rainMm, months, yearlyMm }
}

/**
 * Reads a rain record from the text of a table: separator, columns, date order, unit, decimal commas, trace marks,
 * missing values, duplicates and gaps are worked out, counted and told. Nothing in the text can make it throw.
 * `progress` is told the share of the text that is read.
 */
export function readRecord(
  text: string,
  choices: RecordChoices = {},
  progress?: (share: number) => void,
): RecordReading | Refusal {
  const table = tableOf(text)
  const layout = layoutOf(table, choices)
  if ('ok' in layout) return layout
  const read = daysOf(table, layout, choices.below, progress)
  if ('ok' in read) return read
  const { header, preamble, columns, order, orderIsSure } = layout
  const { collected, ...counts } = read
  const { firstDay, lastDay } = collected
  const named = namesUnit(header[columns.rain] ?? '') ?? namesUnit(preamble.join(' '))
  const lines = choices.lines ?? likelyLines(collected)
  const likely = likelyUnit(named, collected, lines)
  const unit = choices.unit ?? likely.unit
  const gaps = choices.gaps ?? 'other-years'
  const measured = collected.rain.map(value => value * RAIN_UNITS[unit])
  const rain = rainOf(collected, measured, lines, gaps)
  if ('ok' in rain) return rain
  const questions = [
    choices.lines ? undefined : linesDoubt(collected, unit),
    choices.unit ? undefined : likely.doubt,
    orderIsSure ? undefined : ORDER_DOUBT,
    choices.below ? undefined : belowDoubt(collected),
    choices.columns?.rain === undefined && lines === 'days' ? columnDoubt(measured, columns.rain) : undefined,
  ]
  const days = lastDay - firstDay + 1
  return {
    ok: true,
    header,
    delimiter: table.delimiter,
    columns,
    order,
    unit,
    gaps,
    lines,
    questions: questions.filter(doubt => doubt !== undefined),
    ...counts,
    start: isoDate(firstDay),
    end: isoDate(lastDay),
    days,
    missingDays: days - collected.known,
    flagged: collected.flagged,
    below: collected.below.lines,
    trace: collected.trace,
    duplicates: collected.duplicates,
    summed: collected.summed,
    ...rain,
  }
}

const cellAt = (cells: string[], column: number | undefined) => (column === undefined ? undefined : cells[column])

function noDates(header: string[]): string {
  const names = header.slice(0, 12).map(name => `“${name.trim()}”`)
  const among = names.length ? ` among ${names.join(', ')}` : ''
  return `No column with dates was found${among}. Name the column that holds them.`
}

/** What is wrong with the whole, and with each line that could not be read. */
function refuseLines(sentence: string, unreadable: RecordReading['unreadable']): Refusal {
  const lines = unreadable.map(({ line, text, why }) => ({
    path: '',
    line,
    sentence: `Line ${line}, “${text}”: ${why}.`,
  }))
  return { ok: false, problems: [{ path: '', sentence }, ...lines] }
}
