import { readFigure } from './figures'

export interface Cell {
  day: number
  line: number
  rain: string
  tMin?: string
  tMax?: string
  timed: boolean
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
  trace: number
  duplicates: number
  summed: boolean
  meanPerDay: number
  largest: number
  /** True where every figure is a whole number. */
  whole: boolean
}

/**
 * Puts the lines of a record on their days. Several timed lines a day are added up; of two plain ones the later
 * counts.
 */
export function collectDays(cells: Cell[], reject: (cell: Cell, why: string) => void): Collected {
  let [firstDay, lastDay] = [Infinity, -Infinity]
  for (const { day } of cells) {
    if (day < firstDay) firstDay = day
    if (day > lastDay) lastDay = day
  }
  const span = Math.min(lastDay - firstDay + 1, 200000)
  const rain = new Array<number>(span).fill(Number.NaN)
  const seen = new Uint8Array(span)
  const hasTemperature = cells.some(cell => cell.tMin !== undefined && cell.tMax !== undefined)
  const low = hasTemperature ? new Array<number>(span).fill(Number.NaN) : undefined
  const high = hasTemperature ? new Array<number>(span).fill(Number.NaN) : undefined
  const summed = cells.filter(cell => cell.timed).length > span * 1.5
  let [flagged, trace, duplicates] = [0, 0, 0]
  let whole = true

  for (const cell of cells) {
    const at = cell.day - firstDay
    if (at >= span) continue
    if (low && high) {
      low[at] = temperatureC(cell.tMin, low[at]!)
      high[at] = temperatureC(cell.tMax, high[at]!)
    }
    const figure = readFigure(cell.rain)
    if (figure.kind === 'unreadable') {
      reject(cell, 'the rain is not a number')
      continue
    }
    if (figure.kind === 'missing' || (figure.kind === 'number' && figure.value < 0)) {
      flagged++
      continue
    }
    if (figure.kind === 'trace') trace++
    const value = figure.kind === 'number' ? figure.value : 0
    if (!Number.isInteger(value)) whole = false
    if (seen[at] && !summed) duplicates++
    rain[at] = summed && seen[at] ? rain[at]! + value : value
    seen[at] = 1
  }
  const values = rain.filter(value => !Number.isNaN(value))
  return {
    firstDay,
    lastDay,
    rain,
    ...(low && high ? inCelsius(low, high) : {}),
    known: values.length,
    flagged,
    trace,
    duplicates,
    summed,
    whole,
    meanPerDay: values.length ? values.reduce((sum, value) => sum + value, 0) / values.length : 0,
    largest: values.reduce((most, value) => Math.max(most, value), 0),
  }
}

function temperatureC(cell: string | undefined, otherwise: number): number {
  const figure = readFigure(cell ?? '')
  return figure.kind === 'number' && figure.value > -90 && figure.value < 140 ? figure.value : otherwise
}

/** A mean maximum above 45 is in Fahrenheit: no place on earth is that hot by the Celsius scale. */
function inCelsius(tMin: number[], tMax: number[]): { tMin: number[]; tMax: number[] } {
  const known = tMax.filter(value => !Number.isNaN(value))
  const mean = known.reduce((sum, value) => sum + value, 0) / Math.max(1, known.length)
  const convert = (value: number) => (mean > 45 ? (value - 32) / 1.8 : value)
  return { tMin: tMin.map(convert), tMax: tMax.map(convert) }
}
