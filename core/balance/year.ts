import { DAY_MS } from '../units'
import { simulate, type DailyRun, type RunOptions } from './simulate'
import { keptBackL } from './joining'
import { compile } from './compile'
import type { Compiled } from './compiled'
import type { Site } from '../site'
import { monthsFrom, referenceYears, seriesOf, type DailySeries, type ReferenceYears } from '../climate'

export interface UseYear {
  id: string
  name: string
  askedL: number
  metL: number
  rationedL: number
  shortDays: number
  longestShortDays: number
}

/** One year of a run, in figures. */
export interface YearFigures {
  year: number
  from: number
  to: number
  rainMm: number
  caughtL: number
  flushedL: number
  /** Runoff that spilled over gutters, downpipes and lines in the hardest minutes. */
  gutterL: number
  wellL: number
  mainL: number
  cartL: number
  /** Loads of carted water. */
  loads: number
  spilledL: number
  askedL: number
  metL: number
  /** Given up by rules of rationing, and the days on which any use was held to them. */
  rationedL: number
  rationedDays: number
  /** Days on which any use went short. */
  shortDays: number
  /** Longest run of such days. */
  longestShortDays: number
  /** Longest run of days without rain. */
  longestDryDays: number
  leastStoredL: number
  uses: UseYear[]
}

export interface PoolFigures {
  id: string
  name: string
  tankIds: string[]
  nominalL: number
  capL: number
  capM: number
  usableL: number
}

/** What a site's weather makes of it, over all years of the series. */
export interface Outlook {
  years: YearFigures[]
  /** Years that stand for others, by the weather alone: indices into `years`. */
  reference: ReferenceYears
  /** Litres a day that each use asks, in the mean of each month, January first, and on the day that asks most. */
  asks: { id: string; litresPerDay: number[]; mostL: number }[]
  made: boolean
  startDay: number
  run: DailyRun
  pools: PoolFigures[]
  /** Days that full tanks last without rain, from the worst day to be full on; and the month it falls in (0–11). */
  autonomy: { days: number; hours: number; month: number; beyond: boolean } | undefined
}

/**
 * What comes to the tanks, past gutters, by-passes and first flushes, and what is asked of them, in each month of a
 * mean year, L; January first.
 */
export function meanMonths({ startDay, years, run }: Pick<Outlook, 'startDay' | 'years' | 'run'>): {
  comesL: number[]
  askedL: number[]
} {
  const month = monthsFrom(startDay, run.days)
  const [comesL, askedL] = [Array<number>(12).fill(0), Array<number>(12).fill(0)]
  for (const { from, to } of years) {
    for (let day = from; day < to; day++) {
      comesL[month[day]!]! += (run.caughtL[day]! - run.flushedL[day]!) / years.length
      askedL[month[day]!]! += run.askedL[day]! / years.length
    }
  }
  // What a chamber still held when a month ended ran out in the next, which may have had no rain of its own to lose
  // it from.
  for (let at = 23; at >= 0; at--) {
    const [here, before] = [at % 12, (at + 11) % 12]
    if (comesL[here]! >= 0) continue
    comesL[before]! += comesL[here]!
    comesL[here] = 0
  }
  return { comesL, askedL }
}

/** A day counts as short when a use misses more than a thousandth of what it asked for. */
export const SHORT_SHARE = 1e-3

/** What a use asked on a day of a run, L: by its months, or as its bed's soil stood. */
export function askedByUse(
  { demands }: Compiled,
  { bedsL }: Pick<DailyRun, 'bedsL'>,
  month: ArrayLike<number>,
  use: number,
): (day: number) => number {
  const { bed, litresPerDay } = demands[use]!
  if (!bed) return day => litresPerDay[month[day]!]!
  const beds = demands.filter(demand => demand.bed)
  const index = beds.indexOf(demands[use]!)
  return day => bedsL[day * beds.length + index]!
}

/** Runs a site over a series and reads the years off it. */
export function outlook(site: Site, series: DailySeries, options: RunOptions = {}): Outlook {
  const compiled = compile(site, () => series)
  return outlookOf(site, compiled, series, simulate(compiled, series, options))
}

/** Each whole year of a run, in figures. */
export const yearsOf = (compiled: Compiled, series: DailySeries, run: DailyRun): YearFigures[] =>
  series.years.map(({ year, from, to }) => yearFigures(compiled, series, run, year, from, to))

/** What the years of a run come to. */
export function outlookOf(
  weather: Pick<Site, 'climate' | 'place'>,
  compiled: Compiled,
  series: DailySeries,
  run: DailyRun,
): Outlook {
  return {
    years: yearsOf(compiled, series, run),
    reference: referenceYears(weather, series),
    asks: compiled.demands.map((_, use) => askedOf(compiled, series, run, use)),
    made: series.made,
    startDay: series.startDay,
    run,
    pools: poolFigures(compiled),
    autonomy: autonomy(compiled),
  }
}

/** What a use asks in the days of a run. */
function askedOf(compiled: Compiled, { month }: DailySeries, run: DailyRun, use: number): Outlook['asks'][number] {
  const { id, bed, litresPerDay } = compiled.demands[use]!
  if (!bed) return { id, litresPerDay, mostL: Math.max(...litresPerDay) }
  let mostL = 0
  const askedOn = askedByUse(compiled, run, month, use)
  const [askedL, days] = [Array<number>(12).fill(0), Array<number>(12).fill(0)]
  for (let day = 0; day < run.days; day++) {
    const litres = askedOn(day)
    askedL[month[day]!]! += litres
    days[month[day]!]!++
    if (litres > mostL) mostL = litres
  }
  return { id, litresPerDay: askedL.map((litres, at) => (days[at]! > 0 ? litres / days[at]! : 0)), mostL }
}

export function poolFigures(compiled: Compiled): PoolFigures[] {
  return compiled.pools.map((pool, index) => ({
    id: pool.id,
    name: pool.name,
    tankIds: pool.tanks.map(tank => tank.id),
    nominalL: pool.nominalL,
    capL: pool.capL,
    capM: pool.capM,
    usableL: Math.max(0, pool.capL - keptBackL(compiled, index)),
  }))
}

function yearFigures(
  compiled: Compiled,
  series: DailySeries,
  run: DailyRun,
  year: number,
  from: number,
  to: number,
): YearFigures {
  const total = (values: Float64Array) => {
    let sum = 0
    for (let day = from; day < to; day++) sum += values[day]!
    return sum
  }
  const uses = compiled.demands.map(({ id, name }, use): UseYear => {
    const askedOn = askedByUse(compiled, run, series.month, use)
    let [askedL, metL, rationedL] = [0, 0, 0]
    const shortRun = longestRun(from, to, day => {
      const asked = askedOn(day)
      const short = run.shortByUseL[day * run.uses + use]!
      askedL += asked
      const given = run.rationedByUseL[day * run.uses + use] ?? 0
      metL += asked - given - short
      rationedL += given
      return short > asked * SHORT_SHARE
    })
    return { id, name, askedL, metL, rationedL, shortDays: shortRun.count, longestShortDays: shortRun.longest }
  })
  const short = longestRun(from, to, day => run.shortL[day]! > run.askedL[day]! * SHORT_SHARE)
  const askedL = total(run.askedL)
  const rationedL = total(run.rationedL)
  let leastStoredL = Infinity
  for (let day = from; day < to; day++) leastStoredL = Math.min(leastStoredL, run.storedL[day]!)
  return {
    year,
    from,
    to,
    rainMm: total(series.rainMm),
    caughtL: total(run.caughtL),
    flushedL: total(run.flushedL),
    gutterL: total(run.gutterL),
    wellL: total(run.wellL),
    mainL: total(run.mainL),
    cartL: total(run.cartL),
    loads: total(run.loads),
    spilledL: total(run.spilledL),
    askedL,
    metL: askedL - rationedL - total(run.shortL),
    rationedL,
    rationedDays: longestRun(from, to, day => run.rationedL[day]! > 0).count,
    shortDays: short.count,
    longestShortDays: short.longest,
    longestDryDays: longestRun(from, to, day => series.rainMm[day]! === 0).longest,
    leastStoredL,
    uses,
  }
}

function longestRun(from: number, to: number, test: (day: number) => boolean): { count: number; longest: number } {
  let [count, longest, current] = [0, 0, 0]
  for (let day = from; day < to; day++) {
    if (test(day)) {
      count++
      current++
      if (current > longest) longest = current
    } else current = 0
  }
  return { count, longest }
}

const AUTONOMY_DAYS = 730

/** How long full tanks last with no rain and no top-up from wells or mains, begun on the first of the worst month. */
function autonomy(compiled: Compiled): Outlook['autonomy'] {
  if (
    !compiled.demands.some(demand => demand.bed || demand.litresPerDay.some(litres => litres > 0)) ||
    !compiled.pools.length
  )
    return undefined
  const alone: Compiled = {
    ...compiled,
    topUps: [],
    outages: [],
    demands: compiled.demands.map(demand => ({
      ...demand,
      sources: demand.sources.filter(source => source.kind === 'pool'),
    })),
  }
  // A month can only be worse than the worst so far within that many days, so each run is no longer than the last.
  let worst = { days: AUTONOMY_DAYS, hours: AUTONOMY_DAYS * 24, month: 0, beyond: true }
  for (let month = 0; month < 12; month++) {
    const days = month === 0 ? AUTONOMY_DAYS : Math.min(AUTONOMY_DAYS, worst.days + 1)
    const series = seriesOf(Math.round(Date.UTC(2001, month, 1) / DAY_MS), new Float64Array(days), true)
    const run = simulate(alone, series, { startL: compiled.pools.map(pool => pool.capL) })
    const first = run.shortL.findIndex((short, day) => short > run.askedL[day]! * SHORT_SHARE)
    if (first < 0) continue
    const hours = (first + 1 - run.shortL[first]! / run.askedL[first]!) * 24
    if (hours < worst.hours) worst = { days: first, hours, month, beyond: false }
  }
  return worst
}
