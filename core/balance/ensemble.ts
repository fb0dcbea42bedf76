import { SHORT_SHARE } from './year'
import { runLanes, runWeather } from './runLanes'
import { byHappening, type DayFigure, DAY_EVENTS, DAY_FIGURES, dayColumns } from './figures'
import type { Compiled } from './compiled'
import { poolColumns, roofColumns, type RoofColumns } from './columns'
import type { Site } from '../site'
import { memberRain, seriesOf, type DailySeries } from '../climate'

/** Steps by which the tanks' filling is told: nothing to all of what they hold. */
const LEVELS = 101
const WEEKS = 52
const MOST_DAYS = 366
/** Members run side by side: enough to share the loop's work, few enough to stay in the cache. */
const SIDE_BY_SIDE = 8

/**
 * What many made-up years came to, as counts: of the same size however many they are. Counts add up in any order to
 * the same,
 * so whoever shares the members out among workers gets the same answer.
 */
export interface Tally extends Record<DayFigure, number> {
  members: number
  years: number
  /** Years by their number of days short. */
  byShortDays: Uint32Array
  /** Years that ran short in each month, and in any. */
  dryMonths: Uint32Array
  dryYears: number
  /** Ends of week w (rows) by hundredths of what the tanks hold (columns). */
  byLevel: Uint32Array
  /** Whole litres, as are the figures of the days; loads are counted. */
  askedL: number
}

export function emptyTally(): Tally {
  return {
    members: 0,
    years: 0,
    byShortDays: new Uint32Array(MOST_DAYS + 1),
    dryMonths: new Uint32Array(12),
    dryYears: 0,
    byLevel: new Uint32Array(WEEKS * LEVELS),
    askedL: 0,
    shortL: 0,
    rationedL: 0,
    spilledL: 0,
    wellL: 0,
    mainL: 0,
    cartL: 0,
    loads: 0,
  }
}

/** Adds one tally to another, which is changed. */
export function addTally(to: Tally, more: Tally): Tally {
  for (const name of ['byShortDays', 'dryMonths', 'byLevel'] as const)
    more[name].forEach((count, at) => (to[name][at]! += count))
  const figures = DAY_EVENTS.flatMap((happening): readonly DayFigure[] => DAY_FIGURES[happening])
  for (const name of [...figures, 'members', 'years', 'dryYears', 'askedL'] as const) to[name] += more[name]
  return to
}

/**
 * Runs members `from` to `to` (past the last) of an ensemble: each so many years of weather made from the site's
 * climate with its own seed. `own` is
 * the site's own series, whose storms give the shape of every wet day.
 */
export function runMembers(
  site: Pick<Site, 'climate' | 'place'>,
  compiled: Compiled,
  own: DailySeries,
  from: number,
  to: number,
  years: number,
): Tally {
  const tally = emptyTally()
  const rain = memberRain(site, years)
  const roofs = roofColumns(compiled)
  for (let first = from; first < to; first += SIDE_BY_SIDE) {
    const seeds = Array.from({ length: Math.min(SIDE_BY_SIDE, to - first) }, (_, at) => first + at + 1)
    runSideBySide(
      tally,
      compiled,
      roofs,
      seeds.map((seed): DailySeries => ({ ...seriesOf(rain.startDay, rain.make(seed), true), seed, split: own.split })),
    )
  }
  return tally
}

function runSideBySide(tally: Tally, compiled: Compiled, roofs: RoofColumns, members: DailySeries[]): void {
  const columns = poolColumns(members.map(() => compiled))
  const { lanes: count, pools } = columns
  const [series] = members as [DailySeries]
  const { years } = series
  const holdsL = compiled.pools.reduce((sum, pool) => sum + pool.capL, 0)
  const totals = dayColumns(count)
  const sums = byHappening(totals)
  const [daysShort, monthsShort] = [new Float64Array(count), new Int32Array(count)]
  const askedL = new Float64Array(count)
  let year = 0

  const endYear = () => {
    for (let lane = 0; lane < count; lane++) {
      tally.byShortDays[daysShort[lane]!]!++
      if (daysShort[lane]! > 0) tally.dryYears++
      for (let index = 0; index < 12; index++) if (monthsShort[lane]! & (1 << index)) tally.dryMonths[index]!++
    }
    daysShort.fill(0)
    monthsShort.fill(0)
    year++
  }
  const readLevels = (week: number, held: Float64Array) => {
    for (let lane = 0; lane < count; lane++) {
      let heldL = 0
      for (let pool = 0; pool < pools; pool++) heldL += held[pool * count + lane]!
      tally.byLevel[week * LEVELS + Math.round((heldL / holdsL) * (LEVELS - 1))]!++
    }
  }
  const weather = members.map(member => runWeather(compiled, member, true, roofs))
  runLanes({ columns, series, weather }, (day, month, lanes) => {
    const { from, to } = years[year] ?? { from: Infinity, to: Infinity }
    if (day < from) return
    for (let lane = 0; lane < count; lane++) askedL[lane]! += lanes.allAskedL[lanes.askWidth > 1 ? lane : 0]!
    const { spilled, brought, withheld } = lanes
    if (spilled) add(sums.spilled, lanes.figures.spilled, count)
    if (brought) add(sums.brought, lanes.figures.brought, count)
    if (withheld) add(sums.withheld, lanes.figures.withheld, count)
    if (withheld)
      for (let lane = 0; lane < count; lane++) {
        if (lanes.shortL[lane]! <= lanes.allAskedL[lanes.askWidth > 1 ? lane : 0]! * SHORT_SHARE) continue
        daysShort[lane]!++
        monthsShort[lane]! |= 1 << month
      }
    const week = (day - from) / 7
    if (Number.isInteger(week) && week < WEEKS && holdsL > 0) readLevels(week, lanes.pool)
    if (day + 1 === to) endYear()
  })
  tally.members += count
  tally.years += count * years.length
  for (const litres of askedL) tally.askedL += Math.round(litres)
  for (const figure of Object.keys(totals) as DayFigure[])
    for (const litres of totals[figure]) tally[figure] += Math.round(litres)
}

/** What an ensemble says, in shares and means of a year. */
export interface Ensemble {
  members: number
  years: number
  /**
   * Days short in a good, a middle and a bad year: one in ten is better than the first, one in ten worse than the
   * last.
   */
  shortDays: [number, number, number]
  /** Chance that a year runs short at all, and in each month. */
  dryShare: number
  dryByMonth: number[]
  /** How full the tanks stand at the end of each week: the same three, as shares of what they hold. */
  level: [number, number, number][]
  /** Litres of a mean year. */
  meanL: { asked: number; short: number; rationed: number; spilled: number; well: number; main: number; cart: number }
  loads: number
}

export function readTally(tally: Tally): Ensemble {
  const { members, years } = tally
  const mean = (litres: number) => (years > 0 ? litres / years : 0)
  return {
    members,
    years,
    shortDays: band(tally.byShortDays),
    dryShare: mean(tally.dryYears),
    dryByMonth: [...tally.dryMonths].map(mean),
    level: Array.from(
      { length: WEEKS },
      (_, week) =>
        band(tally.byLevel.subarray(week * LEVELS, (week + 1) * LEVELS)).map(at => at / (LEVELS - 1)) as [
          number,
          number,
          number,
        ],
    ),
    meanL: {
      asked: mean(tally.askedL),
      short: mean(tally.shortL),
      rationed: mean(tally.rationedL),
      spilled: mean(tally.spilledL),
      well: mean(tally.wellL),
      main: mean(tally.mainL),
      cart: mean(tally.cartL),
    },
    loads: mean(tally.loads),
  }
}

/** The tenth, fiftieth and ninetieth percentile of counts by figure. */
function band(counts: Uint32Array): [number, number, number] {
  const all = counts.reduce((sum, count) => sum + count, 0)
  const at = (share: number) => {
    let seen = 0
    const found = counts.findIndex(count => (seen += count) > share * (all - 1))
    return Math.max(0, found)
  }
  return [at(0.1), at(0.5), at(0.9)]
}

function add(to: Float64Array[], more: Float64Array[], count: number): void {
  for (let at = 0; at < to.length; at++) for (let lane = 0; lane < count; lane++) to[at]![lane]! += more[at]![lane]!
}
