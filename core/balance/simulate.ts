import type { DailySeries } from '../climate'
import { catchRain, type CatchRun } from './catch'
import type { Compiled } from './compile'
import { poolColumns, roofColumns, type PoolColumns, type RoofColumns } from './engine'
import { startLanes, stepDay, type Lanes } from './lanes'

export interface RunOptions {
  /** Serve the day's uses before what does not fit is spilled. The safe side is the other way round. */
  yieldBeforeSpill?: boolean
  /** Litres in each pool at the start; left out, the pools start as a first year of this weather leaves them. */
  startL?: ArrayLike<number>
  /** The roofs' water over this series, run beforehand by `prepareCatch`, for runs that differ in their tanks alone. */
  caught?: PreparedCatch
}

/** The roofs' water over a first year, which fills the chambers, and over the whole series after it. */
export interface PreparedCatch { first: CatchRun, whole: CatchRun }

/** What happened, day by day. Rows of `poolL` and those by use hold one figure a pool or use; what was met is what was asked less what was rationed and what was short. */
export interface DailyRun {
  days: number
  pools: number
  uses: number
  storedL: Float64Array
  poolL: Float64Array
  askedL: Float64Array
  shortL: Float64Array
  shortByUseL: Float64Array
  /** Given up by the person's own rules once a tank stands low; empty by use where nothing is rationed. */
  rationedL: Float64Array
  rationedByUseL: Float64Array
  spilledL: Float64Array
  /** Roof water that reached a chamber or tank, first flush kept from the tanks, and what wells, mains and carts brought. */
  caughtL: Float64Array
  flushedL: Float64Array
  /** Runoff that spilled over gutters in the hardest minutes. */
  gutterL: Float64Array
  wellL: Float64Array
  mainL: Float64Array
  cartL: Float64Array
  loads: Float64Array
  startL: number
  endL: number
}

/**
 * Runs the daily water balance over a series of days and writes every day down. A pure function of its arguments; nothing is allocated
 * within the loop.
 */
export function simulate(site: Compiled, series: DailySeries, options: RunOptions = {}): DailyRun {
  const columns = poolColumns([site])
  const { first, whole } = options.caught ?? catchTwice(roofColumns(site), series, options.startL === undefined)
  const lanes = startLanes(columns, 1 / 2)
  const before = options.yieldBeforeSpill === true
  if (options.startL) lanes.pool.set(Array.from(options.startL, (litres, pool) => Math.max(0, Math.min(litres, columns.capL[pool]!))))
  else runDays(columns, lanes, series, first, Math.min(FIRST_DAYS, series.rainMm.length), before)
  const days = series.rainMm.length
  const run = newRun(columns, whole, days)
  run.startL = sum(lanes.pool) + whole.chamberStartL
  runDays(columns, lanes, series, whole, days, before, day => write(columns, lanes, run, day, series.month[day]!))
  run.endL = sum(lanes.pool) + whole.chamberEndL
  return run
}

/** Days of weather that a run starts from: what its tanks and chambers hold after them is its beginning. */
export const FIRST_DAYS = 365

/** Runs the roofs over a first year, unless the pools' start is given, and then over the whole series with the chambers as that left them. */
function catchTwice(roofs: RoofColumns, series: DailySeries, warm: boolean): PreparedCatch {
  const chamberL = new Float64Array(roofs.chambers)
  const first = catchRain(roofs, series, warm ? Math.min(FIRST_DAYS, series.rainMm.length) : 0, chamberL)
  return { first, whole: catchRain(roofs, series, series.rainMm.length, chamberL) }
}

export function prepareCatch(site: Compiled, series: DailySeries): PreparedCatch {
  return catchTwice(roofColumns(site), series, true)
}

/** in − out − spill − change of storage: nothing but rounding, on every run. */
export function massErrorL(run: DailyRun): number {
  return sum(run.caughtL) + sum(run.wellL) + sum(run.mainL) + sum(run.cartL) - (sum(run.askedL) - sum(run.rationedL) - sum(run.shortL)) - sum(run.flushedL) - sum(run.spilledL) - (run.endL - run.startL)
}

function newRun({ pools, uses, rationPool }: PoolColumns, { caughtL, flushedL, gutterL }: CatchRun, days: number): DailyRun {
  const daily = () => new Float64Array(days)
  return {
    days, pools, uses, storedL: daily(), poolL: new Float64Array(days * pools), askedL: daily(), shortL: daily(), shortByUseL: new Float64Array(days * uses),
    rationedL: daily(), rationedByUseL: new Float64Array(rationPool.length ? days * uses : 0),
    spilledL: daily(), caughtL, flushedL, gutterL, wellL: daily(), mainL: daily(), cartL: daily(), loads: daily(), startL: 0, endL: 0,
  }
}

function sum(values: Float64Array): number {
  let total = 0
  for (let index = 0; index < values.length; index++) total += values[index]!
  return total
}

/** Steps one lane through days of a series, the same catch for all of them. */
function runDays(columns: PoolColumns, lanes: Lanes, series: DailySeries, caught: CatchRun, days: number, before: boolean, after?: (day: number) => void): void {
  const { rainMm, month } = series
  const { pools } = columns
  let row = 0
  const arrive = () => { for (let pool = 0; pool < pools; pool++) lanes.pool[pool]! += caught.inflowL[row + pool]! }
  for (let day = 0; day < days; day++) {
    row = day * pools
    stepDay(columns, lanes, month[day]!, rainMm[day]! > 0 ? arrive : undefined, before)
    after?.(day)
  }
}

/** Writes down what happened in the one lane of a run. */
function write({ pools, uses, allAskedL }: PoolColumns, lanes: Lanes, run: DailyRun, day: number, month: number): void {
  let stored = 0
  for (let pool = 0; pool < pools; pool++) stored += run.poolL[day * pools + pool] = lanes.pool[pool]!
  run.storedL[day] = stored
  run.askedL[day] = allAskedL[month]!
  if (lanes.spilled) run.spilledL[day] = lanes.spilledL[0]!
  if (lanes.brought) {
    run.wellL[day] = lanes.wellL[0]!
    run.mainL[day] = lanes.mainL[0]!
    run.cartL[day] = lanes.cartL[0]!
    run.loads[day] = lanes.loads[0]!
  }
  if (!lanes.withheld) return
  run.shortL[day] = lanes.shortL[0]!
  run.rationedL[day] = lanes.rationedL[0]!
  for (let use = 0; use < uses; use++) run.shortByUseL[day * uses + use] = lanes.shortByUseL[use]!
  if (run.rationedByUseL.length) for (let use = 0; use < uses; use++) run.rationedByUseL[day * uses + use] = lanes.rationedByUseL[use]!
}
