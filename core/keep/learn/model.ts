import type { LogRain } from './rain'
import { bareRoofs, bedAsks, catchRain, roofColumns, type Compiled } from '../../balance'
import type { DailySeries } from '../../climate'

/**
 * What is learned: the roofs' coefficient and the uses, each as the logarithm of a factor on the plan, the uses apart
 * in the six months in which the plan asks most and in the others.
 */
export const THETA = ['coefficient', 'useHigh', 'useLow'] as const
export type Theta = [coefficient: number, useHigh: number, useLow: number]

/** How far a plan usually is from what comes of it: one standard deviation of each logarithm. */
const COEFFICIENT_SD = 0.25
const USE_SD = 0.35
/** How much the two halves of the year usually differ from each other. */
const SEASON_SD = 0.2
/** The prior's covariance: both halves of the year lie off together, and a little apart. */
export const PRIOR: number[][] = [
  [COEFFICIENT_SD ** 2, 0, 0],
  [0, USE_SD ** 2 + SEASON_SD ** 2 / 4, USE_SD ** 2 - SEASON_SD ** 2 / 4],
  [0, USE_SD ** 2 - SEASON_SD ** 2 / 4, USE_SD ** 2 + SEASON_SD ** 2 / 4],
]

/** Factors of the coefficient for which the roofs are run; between two of them what arrives lies between. */
const GRID = [0.15, 0.35, 0.6, 0.85, 1, 1.2, 1.5, 2.2]

/** The days of a log as the plan sees them: what would arrive for each coefficient, and what is asked. */
export interface LogModel {
  compiled: Compiled
  rain: LogRain
  days: number
  pools: number
  uses: number
  month: Uint8Array
  /** 1 in the months in which most is asked. */
  high: Uint8Array
  /** What each use asks as planned, L, a row a day. */
  askedL: Float64Array
  /** What arrives in a pool on a day for a factor. */
  arrivesL: (day: number, pool: number, factor: number) => number
}

/** Lays out the days of a log; `plan` is the weather that the plan runs on, by which its months are told apart. */
export function logModel(compiled: Compiled, rain: LogRain, plan: DailySeries): LogModel {
  const { series } = rain
  const days = series.rainMm.length
  const columns = roofColumns(compiled)
  // The roofs are run for a factor when one near it is first asked about.
  const run = new Map<number, Float64Array>()
  const inflowOf = (factor: number): Float64Array => {
    const known = run.get(factor)
    if (known) return known
    const roofs = { ...columns, caughtCoefficient: columns.caughtCoefficient.map(each => each * factor) }
    const { inflowL } = catchRain(roofs, series, days, bareRoofs(roofs))
    run.set(factor, inflowL)
    return inflowL
  }
  const pools = compiled.pools.length
  return {
    compiled,
    rain,
    days,
    pools,
    uses: compiled.demands.length,
    month: series.month,
    high: highMonths(compiled, plan),
    askedL: demandByDay(compiled, series),
    arrivesL(day, pool, factor) {
      let at = 1
      while (at < GRID.length - 1 && GRID[at]! < factor) at++
      const [low, high] = [GRID[at - 1]!, GRID[at]!]
      const share = (factor - low) / (high - low)
      const row = day * pools + pool
      return Math.max(0, inflowOf(low)[row]! * (1 - share) + inflowOf(high)[row]! * share)
    },
  }
}

/** What each use asks as planned on every day of a weather, L, a row a day. */
export function demandByDay(compiled: Compiled, series: DailySeries): Float64Array {
  const { demands } = compiled
  const beds = demands.map(({ bed }) => bed && bedAsks(bed, series).asksL)
  const { month } = series
  const askedL = new Float64Array(month.length * demands.length)
  for (let day = 0, row = 0; day < month.length; day++)
    for (let use = 0; use < demands.length; use++, row++)
      askedL[row] = beds[use]?.[day] ?? demands[use]!.litresPerDay[month[day]!]!
  return askedL
}

/** The six months in which the plan asks most a day. */
function highMonths(compiled: Compiled, plan: DailySeries): Uint8Array {
  const uses = compiled.demands.length
  const askedL = demandByDay(compiled, plan)
  const [sum, count] = [new Float64Array(12), new Float64Array(12)]
  for (let day = 0; day < plan.month.length; day++) {
    const month = plan.month[day]!
    count[month]!++
    for (let use = 0; use < uses; use++) sum[month]! += askedL[day * uses + use]!
  }
  const mean = Array.from(sum, (litres, at) => litres / Math.max(1, count[at]!))
  const most = mean.map((_, at) => at).sort((a, b) => mean[b]! - mean[a]! || a - b)
  const high = new Uint8Array(12)
  for (const at of most.slice(0, 6)) high[at] = 1
  return high
}
