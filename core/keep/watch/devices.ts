import { group } from 'd3-array'
import type { Odd } from './odd'
import { sourceName } from '../places'
import type { Kept } from '../keep'
import { dayNumber, isoDate } from '../../climate'
import { nameOf, type Site } from '../../site'
import { DEVICE_KINDS, type LogReading } from '../../kinds'

/** A device lies off the stick by more than this, m, in so many of the last pairs. */
const [OFF_M, PAIRS] = [0.04, 3]

/** Devices that lie off what is read by hand on the same day. */
export function devicesOff(site: Site, _log: readonly LogReading[], { observed }: Kept): Odd[] {
  return [...group(observed, ({ tankId }) => tankId)].flatMap(([tankId, of]): Odd[] => {
    const hand = new Map(of.filter(({ source }) => source === undefined).map(each => [each.day, each]))
    const pairs = of
      .filter(({ source, day }) => source !== undefined && hand.has(day))
      .map(each => ({ day: each.day, source: each.source!, offM: each.levelM - hand.get(each.day)!.levelM }))
      .slice(-PAIRS)
    const sign = Math.sign(pairs[0]?.offM ?? 0)
    if (pairs.length < PAIRS || pairs.some(({ offM }) => offM * sign < OFF_M)) return []
    return [
      {
        kind: 'device',
        subject: tankId,
        what:
          `The ${sourceName(site, pairs[0]!.source)} tells ${nameOf(site, tankId)} ${sign > 0 ? 'higher' : 'lower'} ` +
          'than the stick, every time: it drifts',
        probability: 0.9,
        litresPerDay: 0,
        since: isoDate(pairs[0]!.day),
      },
    ]
  })
}

/** A device is missed after so many of its turns, and not before so many days. */
const [TURNS, LEAST_DAYS, DAY_MINUTES] = [3, 2, 1440]

/** Devices that have told before and are silent now: a battery, a cable, a cloud of wasps. */
export function devicesSilent(site: Site, log: readonly LogReading[], { onDay }: Kept): Odd[] {
  if (!site.devices?.length) return []
  const newest = new Map<string, number>()
  for (const { source, at } of log)
    if (source !== undefined && dayNumber(at) <= onDay)
      newest.set(source, Math.max(newest.get(source) ?? -Infinity, dayNumber(at)))
  return site.devices.flatMap(({ id, kind, name, everyMinutes, subject }): Odd[] => {
    const last = newest.get(id)
    // What tells a day tells it when it is over: that day is not missed yet.
    const mostDays = Math.max(LEAST_DAYS, Math.ceil((TURNS * everyMinutes) / DAY_MINUTES))
    if (last === undefined || onDay - last <= mostDays || 'ahead' in DEVICE_KINDS[kind]) return []
    return [
      {
        kind: 'device',
        subject: subject ?? id,
        what: `The ${name} has told nothing for ${onDay - last} days: look at its battery, its cable and its clock`,
        probability: 0.95,
        litresPerDay: 0,
        since: isoDate(last),
      },
    ]
  })
}
