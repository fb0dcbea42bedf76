import { group, mean } from 'd3-array'
import { LEAKS_FROM, type Kept } from './keep'
import { dayNumber, isoDate } from '../climate'
import { nameOf, type Site } from '../site'
import type { LogReading } from '../kinds'

/** Something that looks odd: what, where, how likely, by how much, since when. */
export interface Odd {
  kind: 'leak' | 'gains' | 'starts' | 'device'
  subject: string
  what: string
  probability: number
  litresPerDay: number
  since: string
}

/** Starts of a pump are compared over so many days with those before; and count as more from this ratio on. */
const [STARTS_DAYS, MORE_STARTS, LEAST_READINGS] = [21, 1.5, 4]
/** A device lies off the stick by more than this, m, in so many of the last pairs. */
const [OFF_M, PAIRS] = [0.04, 3]

/** All that looks odd in a log, likeliest first. */
export function watch(site: Site, log: readonly LogReading[], kept: Kept): Odd[] {
  const leaks = kept.odd
    .filter(({ probability }) => probability >= LEAKS_FROM)
    .map(({ pool, probability, litresPerDay, fromDay }): Odd => {
      const { id, name } = kept.model.compiled.pools[pool]!
      const gains = litresPerDay < 0
      return {
        kind: gains ? 'gains' : 'leak',
        subject: id,
        what: gains
          ? `${name} rises with nothing to fill it: a float or a check valve that passes, or a gauge that drifts`
          : `${name} falls by more than use and weather explain: a leak, a tap left open, or a valve that passes`,
        probability,
        litresPerDay,
        since: isoDate(fromDay),
      }
    })
  return [...leaks, ...startsCreeping(site, log, kept.onDay), ...devicesOff(site, kept)].sort(
    (a, b) => b.probability - a.probability,
  )
}

/** Pumps that start more often than they did: a pressure tank that loses its gas, or a tap that drips. */
function startsCreeping(site: Site, log: readonly LogReading[], onDay: number): Odd[] {
  const starts = log.filter(({ kind, value, at }) => kind === 'starts' && value !== undefined && dayNumber(at) <= onDay)
  return [...group(starts, ({ subject }) => subject ?? '')].flatMap(([subject, of]): Odd[] => {
    const late = of.filter(({ at }) => dayNumber(at) > onDay - STARTS_DAYS)
    const early = of.filter(({ at }) => dayNumber(at) <= onDay - 2 * STARTS_DAYS)
    if (late.length < LEAST_READINGS || early.length < LEAST_READINGS) return []
    const [now, was] = [mean(late, ({ value }) => value!)!, mean(early, ({ value }) => value!)!]
    if (now < MORE_STARTS * was || now - was < 3) return []
    return [
      {
        kind: 'starts',
        subject,
        what:
          `The pump${subject ? ` of ${nameOf(site, subject)}` : ''} starts ${Math.round(now)} times a day, where it ` +
          `started ${Math.round(was)}: its pressure tank may be losing its gas`,
        probability: Math.min(0.95, 1 - was / now),
        litresPerDay: 0,
        since: isoDate(onDay - STARTS_DAYS),
      },
    ]
  })
}

/** Devices that lie off what is read by hand on the same day. */
function devicesOff(site: Site, { observed }: Kept): Odd[] {
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
          `${pairs[0]!.source} tells ${nameOf(site, tankId)} ${sign > 0 ? 'higher' : 'lower'} than the stick, ` +
          'every time: it drifts',
        probability: 0.9,
        litresPerDay: 0,
        since: isoDate(pairs[0]!.day),
      },
    ]
  })
}
