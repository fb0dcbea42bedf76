import { livedDays, hashShare, type Life } from './lived'
import { choresOf } from '#core/keep'
import { dayNumber, isoDate } from '#core/climate'
import { poolsOf } from '#core/balance'
import type { Site } from '#core/site'
import type { LogReading } from '#core/kinds'

const DAYS = 730

/** Two years of a household's log, up to a day: what somebody reads with a stick and a gauge, and what they have done. */
export function householdLog(site: Site, life: Life, until: string): LogReading[] {
  const { seed, every } = life
  const last = dayNumber(until)
  const { fromDay, rainMm, heldL } = livedDays(site, life, last - DAYS, last)
  const pools = poolsOf(site)
  const log: LogReading[] = []
  rainMm.forEach((fellMm, day) => {
    const at = isoDate(fromDay + day)
    // A gauge is read to half a millimetre, and a drizzle is not written down.
    const read = Math.round(fellMm * 2) / 2
    if (read > 0) log.push({ id: `rain-${at}`, at, kind: 'rain', value: read })
    if ((fromDay + day) % every) return
    for (const [index, { tanks, levelAtM }] of pools.entries()) {
      const slipM = 0.016 * (hashShare(seed + index, day) - 0.5)
      const levelM = levelAtM(heldL[index]![day]!) - tanks[0]!.baseM + slipM
      const value = Math.max(0, Math.round(levelM * 100) / 100)
      log.push({ id: `level-${index}-${at}`, at, kind: 'level', subject: tanks[0]!.id, value, by: 'stick' })
    }
  })
  return [...log, ...choresDone(site, seed, last)]
}

/** What a household that means well has done: most of it, some of it late. */
function choresDone(site: Site, seed: number, last: number): LogReading[] {
  return choresOf(site).flatMap(({ id, comes }, at): LogReading[] => {
    const everyDays = comes.by === 'season' ? 182 : comes.months * 30
    const firstDay = last - Math.round(everyDays * (0.08 + 0.98 * hashShare(seed, 9000 + at)))
    const times = Math.max(1, Math.floor((DAYS - (last - firstDay)) / everyDays))
    return Array.from({ length: Math.min(times, 8) }, (_, back) => {
      const day = isoDate(firstDay - back * everyDays)
      return { id: `done-${id.replaceAll(/\W/g, '-')}-${day}`, at: day, kind: 'chore', subject: id } as LogReading
    })
  })
}
