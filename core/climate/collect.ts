import { isoDate } from './calendar'
import type { DatedLine } from './dates'
import { readCell } from './figures'

/** What a line of a record says. */
interface Cells {
  line: number
  rain: string
  tMin?: string
  tMax?: string
}

export interface Collected {
  firstDay: number
  lastDay: number
  /** Rain of each day in the file's own unit; NaN where it is not known. */
  rain: number[]
  tMin?: number[]
  tMax?: number[]
  known: number
  flagged: number
  /** Lines with a depth below nothing that is none of the usual marks of a missing one, and the least of them. */
  below: { lines: number; least: number }
  trace: number
  duplicates: number
  summed: boolean
  /** Days from one line to the next, the usual number of them. */
  apartDays: number
  meanPerDay: number
  largest: number
  /** True where every figure is a whole number. */
  whole: boolean
}

/** What the lines of a day said. */
interface Day {
  sum: number
  last: number
  lines: number
  tMin: number
  tMax: number
}

/** No record is longer; a slip in a date must not take all the memory there is. */
const MOST_SPAN = 200_000

/** Puts the lines of a record on their days, as they come. */
export function dayCollector(
  reject: (line: number, cells: string[], why: string) => void,
  belowMeans: 'missing' | 'dry' = 'missing',
) {
  const days = new Map<number, Day>()
  let [lines, timedLines, flagged, trace] = [0, 0, 0, 0]
  let [whole, warmth] = [true, false]
  const below = { lines: 0, least: 0 }

  return {
    add({ day, timed }: DatedLine, { line, rain, tMin, tMax }: Cells): void {
      lines++
      if (timed) timedLines++
      let at = days.get(day)
      if (!at) days.set(day, (at = { sum: 0, last: 0, lines: 0, tMin: Number.NaN, tMax: Number.NaN }))
      if (tMin !== undefined && tMax !== undefined) {
        warmth = true
        at.tMin = temperature(tMin, at.tMin)
        at.tMax = temperature(tMax, at.tMax)
      }
      const figure = readCell(rain)
      if (figure.kind === 'unreadable') return reject(line, [isoDate(day), rain], 'the rain is not a number')
      if (figure.kind === 'missing') return void flagged++
      const told = figure.kind === 'number' ? figure.value : 0
      if (told < 0) {
        below.lines++
        below.least = Math.min(below.least, told)
        if (belowMeans === 'missing') return
      }
      if (figure.kind === 'trace') trace++
      const value = Math.max(0, told)
      if (!Number.isInteger(value)) whole = false
      at.sum += value
      at.last = value
      at.lines++
    },
    lines: () => lines,
    /** The days of the whole. Several timed lines a day are added up; of plain ones the last counts. */
    collected(): Collected {
      let [firstDay, lastDay] = [Infinity, -Infinity]
      for (const day of days.keys()) {
        if (day < firstDay) firstDay = day
        if (day > lastDay) lastDay = day
      }
      const span = Math.min(lastDay - firstDay + 1, MOST_SPAN)
      const column = () => new Array<number>(span).fill(Number.NaN)
      const [rain, low, high] = [column(), column(), column()]
      const summed = timedLines > span * 1.5
      let [known, duplicates, total, largest] = [0, 0, 0, 0]
      for (const [day, { sum, last, lines: ofDay, tMin, tMax }] of days) {
        const at = day - firstDay
        if (at >= span) continue
        low[at] = tMin
        high[at] = tMax
        if (!ofDay) continue
        known++
        if (!summed) duplicates += ofDay - 1
        const value = summed ? sum : last
        rain[at] = value
        total += value
        largest = Math.max(largest, value)
      }
      return {
        firstDay,
        lastDay,
        rain,
        ...(warmth ? inCelsius(low, high) : {}),
        known,
        flagged,
        below,
        trace,
        duplicates,
        summed,
        apartDays: usualStep(rain),
        whole,
        meanPerDay: known ? total / known : 0,
        largest,
      }
    },
  }
}

/** Days from a known one to the next, the middle of all such steps. */
function usualStep(rain: number[]): number {
  const steps: number[] = []
  let before = 0
  rain.forEach((value, day) => {
    if (Number.isNaN(value)) return
    if (day > before) steps.push(day - before)
    before = day
  })
  return steps.sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 1
}

function temperature(cell: string, otherwise: number): number {
  const figure = readCell(cell)
  return figure.kind === 'number' && figure.value > -90 && figure.value < 140 ? figure.value : otherwise
}

/** A mean maximum above 45 is in Fahrenheit: no place on earth is that hot by the Celsius scale. */
function inCelsius(tMin: number[], tMax: number[]): { tMin: number[]; tMax: number[] } {
  const known = tMax.filter(value => !Number.isNaN(value))
  const mean = known.reduce((sum, value) => sum + value, 0) / Math.max(1, known.length)
  const convert = (value: number) => (mean > 45 ? (value - 32) / 1.8 : value)
  return { tMin: tMin.map(convert), tMax: tMax.map(convert) }
}
