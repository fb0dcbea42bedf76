import type { RainUnit } from './rainUnits'
import { readCell } from './figures'
import { splitDate } from './dates'

/** Column numbers. The date is one column, or year, month and day in three. */
export interface Columns {
  date: number[]
  rain: number
  tMin?: number
  tMax?: number
}

/** What names a column stands in its first words; and a table wider than this has its date and rain on the left. */
const [NAME_LETTERS, MOST_COLUMNS] = [200, 300]
const plain = (name: string) =>
  name
    .slice(0, NAME_LETTERS)
    .toLowerCase()
    .replace(/[_\-.]+/g, ' ')
    .trim()
const RAIN = /rain|precip|prcp|ppt|niederschlag|pluie|lluvia|\brr\b|\brs\b/
const MINIMUM = /(t ?min|min.*temp|temp.*min|lowest|\btn\b|\blow\b)/
const MAXIMUM = /(t ?max|max.*temp|temp.*max|highest|\btx\b|\bhigh\b)/

/** A row without any date: a heading, a remark, a unit line. */
export function looksLikeHeader(cells: string[]): boolean {
  if (cells.slice(0, MOST_COLUMNS).some(cell => splitDate(cell) !== undefined)) return false
  return yearMonthDay(cells) === undefined
}

/** Three cells that read as year, month and day. */
function yearMonthDay(cells: string[]): number[] | undefined {
  for (let index = 0; index + 2 < Math.min(cells.length, MOST_COLUMNS); index++) {
    const [year, month, day] = [cells[index]!, cells[index + 1]!, cells[index + 2]!].map(cell =>
      /^\d{1,4}$/.test(cell) ? Number(cell) : Number.NaN,
    )
    if (year! >= 1700 && year! <= 2200 && month! >= 1 && month! <= 12 && day! >= 1 && day! <= 31)
      return [index, index + 1, index + 2]
  }
  return undefined
}

/** The likeliest columns, by their names first and by what stands in them second. */
export function guessColumns(
  header: string[],
  sample: string[][],
): { date: number[]; rain?: number; tMin?: number; tMax?: number } {
  const names = header.slice(0, MOST_COLUMNS).map(plain)
  const width = Math.min(MOST_COLUMNS, Math.max(0, ...sample.map(row => row.length)))
  const share = (column: number, test: (cell: string) => boolean) =>
    sample.filter(row => test(row[column] ?? '')).length / Math.max(1, sample.length)
  const columns = Array.from({ length: width }, (_, column) => column)

  const dates = columns.map(column => share(column, cell => splitDate(cell) !== undefined))
  const best = dates.indexOf(Math.max(...dates))
  const triple = sample.map(yearMonthDay).find(found => found !== undefined)
  const date = (dates[best] ?? 0) > 0.3 ? [best] : (triple ?? [])

  const numeric = columns.filter(
    column => !date.includes(column) && share(column, cell => readCell(cell).kind !== 'unreadable') > 0.5,
  )
  const temperature = (pattern: RegExp) => numeric.find(column => pattern.test(names[column] ?? ''))
  const tMin = temperature(MINIMUM)
  const tMax = temperature(MAXIMUM)
  const free = numeric.filter(column => column !== tMin && column !== tMax)
  const rain =
    free.find(column => RAIN.test(names[column] ?? '') && !/flag|quality|period|days/.test(names[column] ?? '')) ??
    free
      .filter(
        column =>
          share(column, cell => readCell(cell).kind === 'number') > 0.3 &&
          !/station|id|lat|lon|elev/.test(names[column] ?? ''),
      )
      .at(header.length ? 0 : -1)
  return { date, rain, ...(tMin !== undefined && tMax !== undefined ? { tMin, tMax } : {}) }
}

const HEADING_LETTERS = 2000

/** A rain unit that a heading names. */
export function namesUnit(heading: string): RainUnit | undefined {
  const text = heading.slice(0, HEADING_LETTERS).toLowerCase()
  if (/tenths? of (a )?(mm|millim)|0[.,]1 ?mm|1\/10 ?mm/.test(text)) return 'tenths of mm'
  if (/hundredths? of (an )?in|0[.,]01 ?in/.test(text)) return 'hundredths of in'
  if (/\bmm\b|_mm|millim|mm\)/.test(text)) return 'mm'
  if (/\bcm\b|_cm|centim/.test(text)) return 'cm'
  if (/\(in\)|\binch(es)?\b|_in\b|\[in\]|\bin\.?$|"/.test(text)) return 'in'
  return undefined
}
