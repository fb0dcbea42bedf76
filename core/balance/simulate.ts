import { sum } from 'd3-array'
import { runLanes, runWeather, type WeatherRun } from './runLanes'
import type { Lanes } from './lanes'
import { byHappening, type DayFigure, dayColumns, type Happened } from './figures'
import type { Compiled } from './compiled'
import { poolColumns, type PoolColumns } from './columns'
import { refill } from './stepDay'
import type { DailySeries } from '../climate'

export interface RunOptions {
  /** Serve the day's uses before what does not fit is spilled. The safe side is the other way round. */
  yieldBeforeSpill?: boolean
  /** Litres in each pool at the start; left out, the pools start as a first year of this weather leaves them. */
  startL?: ArrayLike<number>
  /** What this series brings and asks, run beforehand by `runWeather`, for runs that differ in their tanks alone. */
  weather?: WeatherRun
}

/**
 * What happened, day by day. Rows of `poolL` and those by use hold one figure a pool or use; what was met is what was
 * asked less what was rationed and what was short.
 */
export interface DailyRun extends Record<DayFigure, Float64Array> {
  days: number
  pools: number
  uses: number
  storedL: Float64Array
  poolL: Float64Array
  askedL: Float64Array
  shortByUseL: Float64Array
  /** Empty where nothing is rationed. */
  rationedByUseL: Float64Array
  /** Roof water that reached a chamber or tank, first flush kept from the tanks, and what spilled over gutters. */
  caughtL: Float64Array
  flushedL: Float64Array
  gutterL: Float64Array
  /** What the beds asked, a row a day. */
  bedsL: Float64Array
  startL: number
  endL: number
}

/**
 * Runs the daily water balance over a series of days and writes every day down. A pure function of its arguments;
 * nothing is allocated
 * within the loop.
 */
export function simulate(site: Compiled, series: DailySeries, options: RunOptions = {}): DailyRun {
  const columns = poolColumns([site])
  const { startL, yieldBeforeSpill: before } = options
  const weather = options.weather ?? runWeather(site, series, startL === undefined)
  const run = newRun(columns, weather, series.rainMm.length)
  const figures = byHappening(run)
  const evening = new Float64Array(columns.pools)
  const lanes = runLanes({ columns, series, weather: [weather], before, startL }, (day, _month, lanes) => {
    if (day < 0) run.startL = sum(lanes.pool) + weather.whole.chamberStartL
    else write(columns, lanes, run, figures, day, evening)
  })
  run.endL = sum(lanes.pool) + weather.whole.chamberEndL
  return run
}

/** in − out − spill − change of storage: nothing but rounding, on every run. */
export function massErrorL(run: DailyRun): number {
  return (
    sum(run.caughtL) +
    sum(run.wellL) +
    sum(run.mainL) +
    sum(run.cartL) -
    (sum(run.askedL) - sum(run.rationedL) - sum(run.shortL)) -
    sum(run.flushedL) -
    sum(run.spilledL) -
    (run.endL - run.startL)
  )
}

function newRun(
  { pools, uses, rationPool }: PoolColumns,
  { bedsL, whole: { caughtL, flushedL, gutterL } }: WeatherRun,
  days: number,
): DailyRun {
  const { spilledL, wellL, mainL, cartL, loads, shortL, rationedL } = dayColumns(days)
  return {
    spilledL,
    wellL,
    mainL,
    cartL,
    loads,
    shortL,
    rationedL,
    days,
    pools,
    uses,
    storedL: new Float64Array(days),
    poolL: new Float64Array(days * pools),
    askedL: new Float64Array(days),
    shortByUseL: new Float64Array(days * uses),
    rationedByUseL: new Float64Array(rationPool.length ? days * uses : 0),
    caughtL,
    flushedL,
    gutterL,
    bedsL,
    startL: 0,
    endL: 0,
  }
}

/** Writes down what happened in the one lane of a run. */
/** Writes a day down: its figures, and the pools as they are found the next morning. */
function write(
  columns: PoolColumns,
  lanes: Lanes,
  run: DailyRun,
  figures: Happened,
  day: number,
  evening: Float64Array,
): void {
  const { pools, uses } = columns
  let stored = 0
  evening.set(lanes.pool)
  refill(columns, lanes)
  for (let pool = 0; pool < pools; pool++) stored += run.poolL[day * pools + pool] = lanes.pool[pool]!
  lanes.pool.set(evening)
  run.storedL[day] = stored
  run.askedL[day] = lanes.allAskedL[0]!
  const { spilled, brought, withheld } = lanes
  if (spilled) copy(figures.spilled, lanes.figures.spilled, day)
  if (brought) copy(figures.brought, lanes.figures.brought, day)
  if (!withheld) return
  copy(figures.withheld, lanes.figures.withheld, day)
  for (let use = 0; use < uses; use++) run.shortByUseL[day * uses + use] = lanes.shortByUseL[use]!
  if (run.rationedByUseL.length)
    for (let use = 0; use < uses; use++) run.rationedByUseL[day * uses + use] = lanes.rationedByUseL[use]!
}

function copy(to: Float64Array[], from: Float64Array[], day: number): void {
  for (let at = 0; at < to.length; at++) to[at]![day] = from[at]![0]!
}
