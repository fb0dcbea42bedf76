import { ascending, quantileSorted } from 'd3-array'
import { SHORT_SHARE } from './year'
import { runLanes, runWeather } from './runLanes'
import type { Pool } from './pools'
import type { Compiled } from './compiled'
import { poolColumns } from './columns'
import { tankNominalL } from '../site'
import { DAYS_A_YEAR, type DailySeries } from '../climate'
import { guessedPrice } from '../catalog'

/** What a pool of another size would make of the same rain, in a mean year of the series. */
export interface SizePoint {
  capL: number
  shortDays: number
  shortL: number
  spilledL: number
  /** From wells, mains and carts together. */
  broughtL: number
  /**
   * Days short in a good, a middle and a bad year: one year in ten is better than the first, one in ten worse than
   * the last.
   */
  band: [number, number, number]
  /** What such tanks cost, by the prices said or guessed. */
  price: number
}

const BAND = [0.1, 0.5, 0.9]

/** From a tenth of what there is to four times as much, closer together where a tank is small. */
export const SIZE_SHARES = [...Array.from({ length: 39 }, (_, step) => 0.1 * 40 ** (step / 38)), 1].sort(
  (a, b) => a - b,
)

/**
 * The curve of days short against the size of one pool, over the same rain. The pool grows in width, its heights as
 * they are, so that whatever
 * is dead or kept back in it grows with it. The roofs are run once for all sizes, and the sizes side by side.
 */
export function sizeCurve(
  compiled: Compiled,
  pool: number,
  series: DailySeries,
  shares: readonly number[] = SIZE_SHARES,
): SizePoint[] {
  const weather = [runWeather(compiled, series)]
  const columns = poolColumns(shares.map(share => widened(compiled, pool, share)))
  const { lanes: count } = columns
  const { years } = series
  const days = series.rainMm.length
  const total = () => new Float64Array(count)
  const [shortDays, shortL, spilledL, broughtL, inYear] = [total(), total(), total(), total(), total()]
  const byYear = new Uint16Array(count * years.length)
  let year = 0
  runLanes({ columns, series, weather }, (day, _month, lanes) => {
    if (day < 0) return
    if (day === years[year]?.from) inYear.fill(0)
    const { spilled, brought, withheld } = lanes
    for (let lane = 0; lane < count; lane++) {
      if (spilled) spilledL[lane]! += lanes.spilledL[lane]!
      if (brought) broughtL[lane]! += lanes.wellL[lane]! + lanes.mainL[lane]! + lanes.cartL[lane]!
      if (!withheld) continue
      shortL[lane]! += lanes.shortL[lane]!
      if (lanes.shortL[lane]! <= lanes.allAskedL[0]! * SHORT_SHARE) continue
      shortDays[lane]!++
      inYear[lane]!++
    }
    if (day + 1 !== years[year]?.to) return
    for (let lane = 0; lane < count; lane++) byYear[lane * years.length + year] = inYear[lane]!
    year++
  })
  const { capL } = compiled.pools[pool]!
  const count365 = days / DAYS_A_YEAR
  return shares.map((share, lane): SizePoint => {
    const ranked = Array.from(byYear.subarray(lane * years.length, (lane + 1) * years.length)).sort(ascending)
    return {
      capL: capL * share,
      shortDays: shortDays[lane]! / count365,
      shortL: shortL[lane]! / count365,
      spilledL: spilledL[lane]! / count365,
      broughtL: broughtL[lane]! / count365,
      band: BAND.map(share => quantileSorted(ranked, share) ?? 0) as SizePoint['band'],
      price: poolPrice(compiled.pools[pool]!, share),
    }
  })
}

/**
 * What a pool's tanks cost when each holds a share of what it does: the prices said, else guesses, and less a litre
 * in larger ones.
 */
export function poolPrice(pool: Pool, share = 1): number {
  return pool.tanks.reduce((sum, tank) => {
    const nominalL = tankNominalL(tank)
    const guess = guessedPrice(tank.tankKind, nominalL * share)
    return sum + (tank.price === undefined ? guess : (tank.price * guess) / guessedPrice(tank.tankKind, nominalL))
  }, 0)
}

/**
 * The size from which on the next 1000 litres spare less than a day a year; undefined where they still do at the
 * largest, or nothing is short at all.
 */
export function payingSizeL(curve: Pick<SizePoint, 'capL' | 'shortDays'>[]): number | undefined {
  const first = curve.findIndex((_, index) => {
    const rest = curve.slice(index)
    return rest.every((here, at) => {
      const next = rest[at + 1]
      return !next || ((here.shortDays - next.shortDays) / (next.capL - here.capL)) * 1000 < 1
    })
  })
  return first < 0 || first >= curve.length - 1 || curve[0]!.shortDays === 0 ? undefined : curve[first]!.capL
}

/** A compiled site with one pool's plan area multiplied. */
export function widened(compiled: Compiled, pool: number, share: number): Compiled {
  const widen = (of: number, litres: number) => (of === pool ? litres * share : litres)
  return {
    ...compiled,
    pools: compiled.pools.map((entry, index) => (index === pool ? { ...entry, capL: entry.capL * share } : entry)),
    transfers: compiled.transfers.map(line => ({
      ...line,
      keepL: widen(line.from, line.keepL),
      stopL: widen(line.to, line.stopL),
    })),
    passing: compiled.passing.map(line => ({
      ...line,
      keepL: widen(line.from, line.keepL),
      stopL: widen(line.to, line.stopL),
    })),
    demands: compiled.demands.map(demand => ({
      ...demand,
      sources: demand.sources.map(source =>
        source.kind === 'pool' ? { ...source, keepL: widen(source.index, source.keepL) } : source,
      ),
      rations: demand.rations.map(ration => ({ ...ration, belowL: widen(ration.pool, ration.belowL) })),
    })),
    topUps: compiled.topUps.map(line => ({
      ...line,
      startL: widen(line.pool, line.startL),
      stopL: widen(line.pool, line.stopL),
    })),
  }
}
