import { DAY_MS, MINUTE_MS } from '#core/units'
import { z } from 'zod'
import { nowMs } from './clock'
import { defineDevice } from './device'
import { hashShare } from './lived'
import type { StandsAt } from './place'
import { isoDate } from '#core/climate'
import { DEVICE_KIND_IDS, DEVICE_KINDS, type DeviceKind } from '#core/kinds'

/** What a device does when it is not well. */
export const FAILURES = [
  'none',
  'gone',
  'garbled',
  'silent',
  'stuck',
  'spikes',
  'drift',
  'wrong-unit',
  'clock-off',
  'out-of-order',
  'twice',
] as const
const settings = z.object({
  failure: z.enum(FAILURES, { error: `must be one of ${FAILURES.join(', ')}` }).default('none'),
  /** Since when it fails; where nobody says, twelve days. */
  since: z.iso.datetime('must be a moment in UTC, such as 2024-01-01T00:00:00Z').optional(),
})
const sensor = (kind: DeviceKind) => defineDevice(kind, `the ${DEVICE_KINDS[kind].name}`, settings)
/** The five stand-ins, each with what goes wrong with it. */
export const SENSORS: Record<DeviceKind, ReturnType<typeof sensor>> = {
  level: sensor('level'),
  rain: sensor('rain'),
  meter: sensor('meter'),
  pump: sensor('pump'),
  forecast: sensor('forecast'),
}
export const isSensor = (id: string): id is DeviceKind => (DEVICE_KIND_IDS as string[]).includes(id)

/** A reading as a device tells it. */
export interface DeviceReading {
  at: string
  value: number
  unit: string
}
const HOUR_MS = 60 * MINUTE_MS
const FAILS_DAYS = 12
/** A clock that is off: three days, four hours and twenty minutes behind. */
const CLOCK_OFF_MS = -(3 * DAY_MS + 4 * HOUR_MS + 20 * MINUTE_MS)
const [LEVEL_HOURS, AHEAD_DAYS, DRAWDOWN_L] = [6, 10, 24]

/** What a device tells at a place of what happened there since a moment, as well as it is, by its own clock. */
export function sensorAnswer(kind: DeviceKind, at: StandsAt, of: string, sinceMs: number) {
  const { failure, since } = SENSORS[kind].read()
  const now = nowMs()
  const failsFromMs = since === undefined ? now - FAILS_DAYS * DAY_MS : Date.parse(since)
  const offMs = failure === 'clock-off' ? CLOCK_OFF_MS : 0
  const whole = TRUE[kind](at, of, now)
  const readings = FAILING[failure](whole, failsFromMs, kind)
    .map(each => ({ ...each, at: offMs ? shifted(each.at, offMs) : each.at }))
    .filter(each => kind === 'forecast' || Date.parse(each.at) > sinceMs - (each.at.length === 10 ? DAY_MS : 0))
  return { clock: new Date(now + offMs).toISOString(), readings }
}
const shifted = (at: string, byMs: number): string =>
  new Date(Date.parse(at) + byMs).toISOString().slice(0, at.length === 10 ? 10 : undefined)

/** Days of a place up to a moment; today's, which is not over, apart. */
const daysBefore = ({ fromDay, rainMm }: StandsAt, nowAtMs: number): number =>
  Math.max(0, Math.min(rainMm.length, Math.floor(nowAtMs / DAY_MS) - fromDay))
/** A figure a day, by the day it is of. */
const daily = (at: StandsAt, nowAtMs: number, unit: string, value: (day: number) => number): DeviceReading[] =>
  Array.from({ length: daysBefore(at, nowAtMs) }, (_, day) => ({
    at: isoDate(at.fromDay + day),
    value: value(day),
    unit,
  }))
const tenth = (value: number): number => Math.round(value * 10) / 10

/** What each kind tells while it is well. */
const TRUE: Record<DeviceKind, (at: StandsAt, of: string, nowAtMs: number) => DeviceReading[]> = {
  level(at, of, nowAtMs) {
    const levelM = at.levelM[of] ?? []
    const readings: DeviceReading[] = []
    for (let day = 1; day < levelM.length; day++)
      for (let hour = 0; hour < 24; hour += LEVEL_HOURS) {
        const ms = (at.fromDay + day) * DAY_MS + hour * HOUR_MS
        if (ms > nowAtMs) return readings
        const share = hour / 24
        const m = levelM[day - 1]! * (1 - share) + levelM[day]! * share + 0.004 * (hashShare(day, hour) - 0.5)
        readings.push({ at: new Date(ms).toISOString(), value: Math.max(0, Math.round(m * 1000) / 1000), unit: 'm' })
      }
    return readings
  },
  rain: (at, _of, nowAtMs) => daily(at, nowAtMs, 'mm', day => tenth(at.rainMm[day]!)),
  meter(at, of, nowAtMs) {
    let sumL = 0
    const drawnL = at.drawnL[of] ?? []
    return daily(at, nowAtMs, 'L', day => Math.round((sumL += drawnL[day] ?? 0)))
  },
  pump: (at, of, nowAtMs) =>
    daily(at, nowAtMs, '', day =>
      Math.round(((at.drawnL[of]?.[day] ?? 0) / DRAWDOWN_L) * (0.9 + hashShare(day, 3) / 5)),
    ),
  forecast(at, _of, nowAtMs) {
    const tomorrow = Math.floor(nowAtMs / DAY_MS) + 1 - at.fromDay
    return Array.from({ length: AHEAD_DAYS }, (_, ahead) => {
      // The farther off, the more it tells what might come instead of what will.
      const other = at.rainMm[(tomorrow + ahead * 7 + 3) % at.rainMm.length] ?? 0
      const trust = 1 - ahead / AHEAD_DAYS
      const mm = trust * (at.rainMm[tomorrow + ahead] ?? 0) + (1 - trust) * other
      return { at: isoDate(at.fromDay + tomorrow + ahead), value: tenth(mm), unit: 'mm' }
    })
  },
}

type Failing = (readings: DeviceReading[], fromMs: number, kind: DeviceKind) => DeviceReading[]
/** Changes what is told from a moment on. */
const fromThen =
  (change: (of: DeviceReading, days: number, kind: DeviceKind) => DeviceReading): Failing =>
  (readings, fromMs, kind) =>
    readings.map(each => {
      const days = (Date.parse(each.at) - fromMs) / DAY_MS
      return days < 0 ? each : change(each, days, kind)
    })
const asIs: Failing = readings => readings
const [DRIFT_M_PER_DAY, DRIFT_SHARE_PER_DAY] = [0.008, 0.03]
/** A figure told in another unit than it says: centimetres, tenths of a millimetre, gallons, starts an hour. */
const OTHER_UNIT: Record<DeviceKind, number> = { level: 100, rain: 10, meter: 0.264, pump: 1 / 24, forecast: 10 }

/** What each failure makes of what would have been told. */
const FAILING: Record<(typeof FAILURES)[number], Failing> = {
  none: asIs,
  gone: asIs,
  garbled: asIs,
  'clock-off': asIs,
  silent: (readings, fromMs) => readings.filter(({ at }) => Date.parse(at) < fromMs),
  stuck(readings, fromMs) {
    const last = readings.findLast(({ at }) => Date.parse(at) < fromMs) ?? readings[0]
    return readings.map(each => (Date.parse(each.at) < fromMs ? each : { ...each, value: last!.value }))
  },
  spikes: fromThen((each, days) => (Math.floor(days * 4) % 9 === 4 ? { ...each, value: each.value * 3 + 0.7 } : each)),
  drift: fromThen((each, days, kind) => ({
    ...each,
    value: kind === 'level' ? each.value + DRIFT_M_PER_DAY * days : each.value * (1 + DRIFT_SHARE_PER_DAY * days),
  })),
  'wrong-unit': fromThen((each, _days, kind) => ({ ...each, value: each.value * OTHER_UNIT[kind] })),
  'out-of-order': readings =>
    readings.toSorted((a, b) => hashShare(7, Date.parse(a.at)) - hashShare(7, Date.parse(b.at))),
  twice: readings => readings.flatMap(each => [each, each]),
}
