import { refuse, type Refusal } from '../answers'
import { splitRows } from './rows'
import { RAIN_UNITS, type RainUnit } from './rainUnits'
import { monthFigures, type MonthFigures } from './months'
import { fillGaps, type GapFill } from './gaps'
import { guessOrder, orderedDay, splitDate, type DateOrder } from './dates'
import { guessColumns, looksLikeHeader, namesUnit, type Columns } from './columns'
import { collectDays, type Cell } from './collect'
import { isoDate } from './calendar'

/** What the person corrects about a reading; everything left out is guessed. */
export interface RecordChoices {
  columns?: Partial<Columns>
  unit?: RainUnit
  order?: DateOrder
  gaps?: GapFill
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
  questions: { about: 'unit' | 'order'; sentence: string }[]
  rows: number
  start: string
  end: string
  days: number
  missingDays: number
  flagged: number
  trace: number
  duplicates: number
  /** True where several lines a day were added up. */
  summed: boolean
  unreadable: { line: number; text: string; why: string }[]
  unreadableCount: number
  yearlyMm: number
  wettest: { date: string; rainMm: number }
  months: MonthFigures[]
  rainMm: number[]
}
const MOST_LISTED = 20
const LEAST_DAYS = 28
const MOST_DAYS = 80000

/**
 * Reads a rain record from the text of a table: separator, columns, date order, unit, decimal commas, trace marks,
 * missing values, duplicates and gaps are worked out, counted and told. Nothing in the text can make it throw.
 */
export function readRecord(text: string, choices: RecordChoices = {}): RecordReading | Refusal {
  const { rows, delimiter } = splitRows(text)
  if (!rows.length) return refuse('The file is empty.')
  const first = rows.findIndex(row => !looksLikeHeader(row.cells))
  if (first < 0)
    return refuse('No line of this file holds a date and a number. It needs a date column and a rain column.')
  const header = first > 0 ? rows[first - 1]!.cells : []
  const body = rows.slice(first)
  const columns = {
    ...guessColumns(
      header,
      body.slice(0, 400).map(row => row.cells),
    ),
    ...choices.columns,
  } as Columns
  if (!columns.date.length)
    return refuse(
      `No column with dates was found${
        header.length
          ? ` among ${header
              .map(name => `“${name.trim()}”`)
              .slice(0, 12)
              .join(', ')}`
          : ''
      }. Name the column that holds them.`,
    )
  if (columns.rain === undefined || columns.rain < 0)
    return refuse('No column with rain was found. Name the column that holds it.')

  const dateOf = (row: string[]) =>
    splitDate(columns.date.map(column => row[column] ?? '').join(columns.date.length > 1 ? '-' : ''))
  const sample = body
    .slice(0, 3000)
    .map(row => dateOf(row.cells))
    .filter(cell => cell !== undefined)
  const guess = guessOrder(sample)
  const order = choices.order ?? (columns.date.length > 1 ? 'ymd' : guess.order)

  const cells: Cell[] = []
  const unreadable: RecordReading['unreadable'] = []
  let unreadableCount = 0
  const reject = (line: number, cellsOfRow: string[], why: string) => {
    unreadableCount++
    if (unreadable.length < MOST_LISTED) unreadable.push({ line, text: cellsOfRow.join(delimiter).slice(0, 80), why })
  }
  for (const row of body) {
    const date = dateOf(row.cells)
    const day = date && orderedDay(date, order)
    if (day === undefined) reject(row.line, row.cells, date ? 'there is no such date' : 'no date in the date column')
    else
      cells.push({
        day,
        line: row.line,
        rain: row.cells[columns.rain] ?? '',
        tMin: cellAt(row.cells, columns.tMin),
        tMax: cellAt(row.cells, columns.tMax),
        timed: date!.timed,
      })
  }
  if (!cells.length) return refuseLines('Not one line could be read as a day.', unreadable)

  const collected = collectDays(cells, (cell, why) => reject(cell.line, [isoDate(cell.day), cell.rain], why))
  const span = collected.lastDay - collected.firstDay + 1
  if (span > MOST_DAYS)
    return refuse(
      `The dates run from ${isoDate(collected.firstDay)} to ${isoDate(collected.lastDay)}, more than 200 ` +
        'years. Check the date column and the order of day and month.',
    )
  if (collected.known < LEAST_DAYS)
    return refuseLines(
      `Only ${collected.known} days with a figure were found; a record needs at least ${LEAST_DAYS}.`,
      unreadable,
    )

  const named =
    namesUnit(header[columns.rain] ?? '') ??
    namesUnit(
      rows
        .slice(0, first)
        .map(row => row.cells.join(' '))
        .join(' '),
    )
  const { unit: likely, question } = likelyUnit(
    named,
    collected.meanPerDay * 365.25,
    collected.largest,
    collected.whole,
  )
  const unit = choices.unit ?? likely
  const gaps = choices.gaps ?? 'other-years'
  const measured = collected.rain.map(value => value * RAIN_UNITS[unit])
  const wettestAt = measured.reduce(
    (best, value, index) => (value > (measured[best] ?? 0) || Number.isNaN(measured[best]) ? index : best),
    0,
  )
  if (measured[wettestAt]! > 2000)
    return refuse(
      `The wettest day, ${isoDate(collected.firstDay + wettestAt)}, would have ` +
        `${Math.round(measured[wettestAt]!)} mm. No day on earth has had that; choose another unit or rain ` +
        'column.',
    )
  const rainMm = fillGaps(collected.firstDay, measured, gaps)

  const questions: RecordReading['questions'] = []
  if (question && !choices.unit) questions.push({ about: 'unit', sentence: question })
  if (!guess.sure && !choices.order && columns.date.length === 1)
    questions.push({
      about: 'order',
      sentence: 'Day and month cannot be told apart in these dates. Say which comes first.',
    })
  return {
    ok: true,
    header,
    delimiter,
    columns,
    order,
    unit,
    gaps,
    questions,
    rows: body.length,
    start: isoDate(collected.firstDay),
    end: isoDate(collected.lastDay),
    days: span,
    missingDays: span - collected.known,
    flagged: collected.flagged,
    trace: collected.trace,
    duplicates: collected.duplicates,
    summed: collected.summed,
    unreadable: unreadable.sort((a, b) => a.line - b.line),
    unreadableCount,
    yearlyMm: (rainMm.reduce((sum, value) => sum + value, 0) / span) * 365.25,
    wettest: { date: isoDate(collected.firstDay + wettestAt), rainMm: measured[wettestAt]! },
    months: monthFigures(collected.firstDay, rainMm, collected.tMin, collected.tMax),
    rainMm,
  }
}

const cellAt = (cells: string[], column: number | undefined) => (column === undefined ? undefined : cells[column])

function likelyUnit(
  named: RainUnit | undefined,
  yearly: number,
  largest: number,
  whole: boolean,
): { unit: RainUnit; question?: string } {
  if (named) return { unit: named }
  const year = (unit: RainUnit) => `${Math.round(yearly * RAIN_UNITS[unit])} mm a year in ${unit}`
  if (yearly < 120 && largest < 15)
    return {
      unit: 'in',
      question:
        `The file does not name its unit. The figures would give ${year('in')}, ${year('mm')}. Say which is ` +
        'meant.',
    }
  if (yearly > 4500 && whole)
    return {
      unit: 'tenths of mm',
      question:
        `The file does not name its unit. The figures would give ${year('tenths of mm')}, ${year('mm')}, ` +
        `${year('hundredths of in')}. Say which is meant.`,
    }
  return { unit: 'mm' }
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
