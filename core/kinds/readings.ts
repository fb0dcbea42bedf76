import type { z } from 'zod'
import { choice, id, kept, number, text } from './limits'
import type { Kind } from '../units'

/** What a kind of reading is of, and in what it is told. */
interface ReadingRow {
  name: string
  /** Its figure, in SI: metres above a tank's floor, millimetres of rain, litres, kPa, starts; none where none is told. */
  kind?: Kind
  /** What it is taken at; at nothing of the site where there is none. */
  of?: 'tank' | 'run' | 'well' | 'chamber' | 'anything' | 'chore'
  least: number
  most: number
}
const row = (of: ReadingRow): ReadingRow => of

/** Everything that is written into a log. A new kind is a row here. */
export const READING_KINDS = {
  level: row({ name: 'level', kind: 'length', of: 'tank', least: -1, most: 1e4 }),
  rain: row({ name: 'rain', kind: 'rain', least: 0, most: 2000 }),
  meter: row({ name: 'meter', kind: 'volume', of: 'run', least: 0, most: 1e12 }),
  pressure: row({ name: 'pressure', kind: 'pressure', of: 'run', least: -100, most: 1e5 }),
  starts: row({ name: 'pump starts in a day', kind: 'count', of: 'run', least: 0, most: 1e5 }),
  drop: row({ name: 'pressure lost in a filter', kind: 'pressure', of: 'run', least: 0, most: 2000 }),
  recovery: row({ name: 'what a well gives', kind: 'flow', of: 'well', least: 0, most: 100 }),
  standing: row({ name: 'water left in a chamber', kind: 'length', of: 'chamber', least: 0, most: 20 }),
  carted: row({ name: 'water brought', kind: 'volume', of: 'tank', least: 0, most: 1e7 }),
  chore: row({ name: 'done', of: 'chore', least: 0, most: 0 }),
  note: row({ name: 'note', of: 'anything', least: 0, most: 0 }),
  photo: row({ name: 'photo', of: 'anything', least: 0, most: 0 }),
} as const
export type ReadingKind = keyof typeof READING_KINDS
export const READING_KIND_IDS = Object.keys(READING_KINDS) as [ReadingKind, ...ReadingKind[]]

/** A day, or a moment of a day by the site's own clock. */
const MOMENT = /^\d{4}-\d{2}-\d{2}(T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})?)?$/
export const moment = () =>
  text(40)
    .regex(MOMENT, 'must be a date, such as 2027-04-18, with or without a time')
    .refine(at => isDay(at.slice(0, 10)), 'must be a day that there is')
function isDay(day: string): boolean {
  const at = new Date(`${day}T00:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day)
}

/**
 * The instant of a moment that was told with its offset, or the moment itself where it was told by the site's own
 * clock: in digits, so that one instant is written in one way wherever it was told.
 */
export function instantDigits(at: string): string {
  const hasOffset = /T.*(Z|[+-]\d{2}:\d{2})$/.test(at)
  return (hasOffset ? new Date(at).toISOString().replace('.000', '') : at).replaceAll(/\D/g, '')
}

/** How a level was read, which says how near it is. */
export const LEVEL_BY = ['stick', 'gauge', 'knock', 'sensor', 'eye'] as const
export type LevelBy = (typeof LEVEL_BY)[number]

/** One line of a log. Its value is SI, by its kind; `said` keeps the words in which it was told. */
export const readingSchema = kept({
  id: id(),
  at: moment(),
  kind: choice(READING_KIND_IDS),
  subject: text().optional(),
  value: number(-1e12, 1e12).optional(),
  by: choice(LEVEL_BY).optional(),
  said: text().optional(),
  note: text(2000).optional(),
  /** The device that told it; none where a person did. */
  source: text().optional(),
})
export type LogReading = z.infer<typeof readingSchema>
