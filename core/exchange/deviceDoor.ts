import { DAY_MS, MINUTE_MS } from '../units'
import papaparse from 'papaparse'
import { z } from 'zod'
import { greatest } from 'd3-array'
import { fewOf } from './fewOf'
import { whyNot } from '../answers'
import { plainDoubts, readFigure } from '../keep'
import { DEVICE_KINDS, instantDigits, moment, type Device, type LogReading } from '../kinds'
import type { Site } from '../site'

/** What came of asking a device. */
export interface DeviceRead {
  readings: LogReading[]
  /** Rain that it promises, by day. */
  ahead: { day: string; mm: number }[]
  problems: string[]
  /** How far its own clock is behind, in minutes; less than nothing where it is ahead. 0 where it does not tell. */
  slowMinutes: number
}

/** When a device was asked, in UTC, and how far the site's own clock is from that. */
export interface PollTime {
  now: string
  zoneMinutes: number
  /** Its own clock, where a header tells it. */
  clock?: string | undefined
}

/** Clocks apart by less than this agree, minutes. */
const CLOCKS_AGREE = 5
const MOST_READINGS = 60_000

const clockSchema = z.iso.datetime({ offset: true })
const answerSchema = z.object({
  clock: clockSchema.optional(),
  readings: z.array(z.unknown()).max(MOST_READINGS),
})
const readingSchema = z.object({
  at: z.union([clockSchema, z.iso.date()], 'has no moment “at”, such as 2027-04-18T06:00:00Z'),
  value: z.number('has no number “value”'),
  unit: z.string('has a “unit” that is no text').max(40).optional(),
})
type Told = z.infer<typeof readingSchema>

/**
 * Reads what a device answers: JSON `{ clock?, readings: [{ at, value, unit? }] }`, or a table of those columns. Its
 * moments are put right by its own clock; what cannot be read is told, and the rest is taken.
 */
export function readDevice(
  site: Site,
  device: Device,
  text: string,
  { now, zoneMinutes, clock }: PollTime,
): DeviceRead {
  const nothing = { readings: [], ahead: [], slowMinutes: 0 }
  const rows = text.trimStart().startsWith('{') ? fromJson(text) : fromTable(text)
  if (typeof rows === 'string') return { ...nothing, problems: [rows] }
  const itsClock = rows.clock ?? (clockSchema.safeParse(clock).success ? clock : undefined)
  const off = itsClock === undefined ? 0 : Math.round((Date.parse(now) - Date.parse(itsClock)) / MINUTE_MS)
  const slowMinutes = Math.abs(off) < CLOCKS_AGREE ? 0 : off
  const read: DeviceRead = { ...nothing, readings: [], ahead: [], problems: [], slowMinutes }
  const problems: string[] = []
  for (const [index, row] of rows.readings.entries()) {
    const told = readingSchema.safeParse(row)
    if (!told.success) problems.push(`Reading ${index + 1} ${told.error.issues[0]!.message}.`)
    else {
      const taken = takeIn(told.data)
      if (taken) problems.push(`Reading ${index + 1}: ${taken}`)
    }
  }
  return { ...read, problems: fewOf(problems) }

  /** Takes one reading in, or says why it cannot be. */
  function takeIn({ at, value, unit }: Told): string | undefined {
    const kind = DEVICE_KINDS[device.kind]
    const { subject, hangsAtM } = device
    const of = { kind: kind.tells, ...(subject ? { subject } : {}), ...(unit ? { unit } : {}), value }
    const figure = readFigure(site, of)
    if (!figure.ok) return `its ${kind.tells} ${whyNot(figure)}.`
    if ('ahead' in kind) {
      read.ahead.push({ day: at.slice(0, 10), mm: figure.value! })
      return undefined
    }
    const local = localMoment(at, slowMinutes, zoneMinutes)
    if (!isMoment(local)) return `it is told for ${at}, which is no day that can be written down.`
    const levelM = device.kind === 'level' && hangsAtM !== undefined ? hangsAtM - figure.value! : figure.value!
    read.readings.push({
      id: `${device.id}-${instantDigits(at)}`,
      at: local,
      kind: kind.tells,
      ...(subject ? { subject } : {}),
      value: levelM,
      ...(device.kind === 'level' ? { by: 'sensor' as const } : {}),
      ...(slowMinutes ? { said: at } : {}),
      source: device.id,
    })
    return undefined
  }
}

const isMoment = (at: string): boolean => moment().safeParse(at).success
const DAY_MINUTES = 1440
/** A moment by the site's own clock, to the minute; a day stays a day, and is another where the clock is off by days. */
function localMoment(at: string, slowMinutes: number, zoneMinutes: number): string {
  const isDay = at.length === 10
  const laterMinutes = isDay ? Math.round(slowMinutes / DAY_MINUTES) * DAY_MINUTES : slowMinutes + zoneMinutes
  return new Date(Date.parse(at) + laterMinutes * MINUTE_MS).toISOString().slice(0, isDay ? 10 : 16)
}

type Rows = { clock?: string | undefined; readings: unknown[] } | string
const NO_ANSWER =
  'What came is no answer of a device: it must be JSON with “readings”, or a table of at, value and unit.'

function fromJson(text: string): Rows {
  try {
    const read = answerSchema.safeParse(JSON.parse(text))
    return read.success ? read.data : NO_ANSWER
  } catch {
    return 'What the device told broke off half way; nothing of it was taken.'
  }
}
function fromTable(text: string): Rows {
  const { data, meta } = papaparse.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' })
  if (!meta.fields?.includes('at') || !meta.fields.includes('value')) return NO_ANSWER
  if (data.length > MOST_READINGS) return `More than ${MOST_READINGS} readings came at once; ask it for less.`
  return {
    readings: data.map(({ at, value, unit }) => ({
      at,
      value: value?.trim() ? Number(value) : undefined,
      ...(unit ? { unit } : {}),
    })),
  }
}

/**
 * Since when a device is asked: from the last that it told and is believed, by its own clock; before it has told
 * anything, a day. A line of a day still to come, or of a clock that has begun anew, moves nothing.
 */
export function askSince(site: Site, device: Device, firstDay: string, { now, zoneMinutes }: PollTime): string {
  const own = (site.log ?? []).filter(({ source }) => source === device.id)
  const doubts = plainDoubts(site, own, localMoment(now, 0, zoneMinutes).slice(0, 10))
  const newest = greatest(
    own.filter(({ id }) => !doubts.has(id)),
    ({ at }) => at,
  )
  if (!newest) return `${firstDay}T00:00:00Z`
  if (newest.said !== undefined) return newest.said
  const at = newest.at.length === 10 ? `${newest.at}T00:00` : newest.at
  return new Date(Date.parse(`${at}Z`) - zoneMinutes * MINUTE_MS).toISOString()
}

/** No forecast sees farther than this, days. */
const MOST_AHEAD_DAYS = 60
/**
 * Days of rain that are promised one after another from tomorrow on; it ends with the first that is not. Whatever is
 * promised for later than two months is left out, and told.
 */
export function promisedFrom(
  ahead: readonly { day: string; mm: number }[],
  { now, zoneMinutes }: PollTime,
): { promised: number[]; problem?: string } {
  const by = new Map(ahead.map(({ day, mm }) => [day, mm]))
  const promised: number[] = []
  const tomorrow = Date.parse(localMoment(now, 0, zoneMinutes).slice(0, 10)) + DAY_MS
  for (let day = tomorrow; promised.length < MOST_AHEAD_DAYS; day += DAY_MS) {
    const mm = by.get(new Date(day).toISOString().slice(0, 10))
    if (mm === undefined) break
    promised.push(mm)
  }
  if (by.size <= MOST_AHEAD_DAYS) return { promised }
  return {
    promised,
    problem: `It promises ${by.size} days of rain; the first ${promised.length} are reckoned with, since nobody knows more.`,
  }
}
