import { randomNormal } from 'd3-random'
import { isoDate, dayNumber, makeRain, seeded, seriesOf } from '../core/climate'
import { demandByDay } from '../core/keep/learn/model'
import { bareRoofs, catchRain, compiledOf, poolsOf, roofColumns, sideBySide } from '../core/balance'
import { weatherMonths, type Site } from '../core/site'
import type { LogReading } from '../core/kinds'

/** The truth behind a made-up log. */
export interface Truth {
  /** Factors on the plan: of the roofs' coefficient, and of all uses. */
  coefficient: number
  use: number
  /** Lost a day from the first group of tanks, from a day of the log on. */
  leakL?: number
  leakFrom?: number
  /** How unlike one day is another in what is used, and how far a level is misread, m. */
  useSpread?: number
  misreadM?: number
}

export const LOG_START = '2023-03-01'

/**
 * A log of a site run with figures of known truth: rain every day, the level of each group of tanks every so many days.
 * Written apart from what learns from it, but for the day's balance.
 */
export function madeLog(
  site: Site,
  seed: number,
  days: number,
  every: number,
  { coefficient, use, leakL = 0, leakFrom = 0, useSpread = 0.15, misreadM = 0.01 }: Truth,
): { log: LogReading[]; on: string; heldL: number[] } {
  const [compiled, pools] = [compiledOf(site), poolsOf(site)]
  const start = dayNumber(LOG_START)
  const normal = randomNormal.source(seeded(seed + 4000))()
  const rainMm = makeRain(weatherMonths(site), start, Math.ceil(days / 365) + 1, seed).slice(0, days)
  const series = seriesOf(start, rainMm, false)
  const columns = roofColumns(compiled)
  const roofs = { ...columns, caughtCoefficient: columns.caughtCoefficient.map(each => each * coefficient) }
  const { inflowL } = catchRain(roofs, series, days, bareRoofs(roofs))
  const askedL = demandByDay(compiled, series)
  const run = sideBySide(compiled, 1)
  for (let pool = 0; pool < run.pools; pool++) run.poolL[pool] = run.capL[pool]! * 0.6
  const log: LogReading[] = []
  for (let day = 0; day < days; day++) {
    const today = use * Math.exp(useSpread * normal() - useSpread ** 2 / 2)
    run.step(
      series.month[day]!,
      inflowL.slice(day * run.pools, (day + 1) * run.pools),
      askedL.slice(day * run.uses, (day + 1) * run.uses).map(litres => litres * today),
    )
    if (day >= leakFrom) run.poolL[0] = Math.max(0, run.poolL[0]! - leakL)
    const at = isoDate(start + day)
    log.push({ id: `rain-${day}`, at, kind: 'rain', value: Math.round(rainMm[day]! * 10) / 10 })
    if (day % every === 0)
      for (const [index, { tanks, levelAtM }] of pools.entries()) {
        const levelM = levelAtM(run.poolL[index]!) - tanks[0]!.baseM + misreadM * normal()
        const value = Math.max(0, Math.round(levelM * 1000) / 1000)
        log.push({ id: `level-${day}-${index}`, at, kind: 'level', subject: tanks[0]!.id, value })
      }
  }
  return { log, on: isoDate(start + days - 1), heldL: Array.from(run.poolL) }
}
