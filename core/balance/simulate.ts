import type { DailySeries } from '../climate'
import { catchRain, type CatchRun } from './catch'
import type { Compiled } from './compile'
import { engineOf, FROM_POOL, FROM_WELL, type Engine } from './engine'

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

/** What happened, day by day. Rows of `poolL` and `shortByUseL` hold one figure a pool or use; what was met is what was asked less what was short. */
export interface DailyRun {
  days: number
  pools: number
  uses: number
  storedL: Float64Array
  poolL: Float64Array
  askedL: Float64Array
  shortL: Float64Array
  shortByUseL: Float64Array
  spilledL: Float64Array
  /** Roof water that reached a chamber or tank, first flush kept from the tanks, and top-up from wells and mains. */
  caughtL: Float64Array
  flushedL: Float64Array
  /** Runoff that spilled over gutters in the hardest minutes. */
  gutterL: Float64Array
  wellL: Float64Array
  mainL: Float64Array
  startL: number
  endL: number
}

/** A state that days are run on: litres in pools, today's inflow, and which top-ups are under way. */
interface State { pool: Float64Array, filling: Uint8Array, inflow: Float64Array, wellLeft: Float64Array }

/**
 * Runs the daily water balance over a series of days, in the order of the methods: roofs, chambers, inflow and spill, transfers and uses,
 * top-up. A pure function of its arguments; nothing is allocated within the loop.
 */
export function simulate(site: Compiled, series: DailySeries, options: RunOptions = {}): DailyRun {
  const days = series.rainMm.length
  const engine = engineOf(site)
  const state: State = {
    pool: new Float64Array(engine.pools),
    filling: new Uint8Array(engine.topUps), inflow: new Float64Array(engine.pools), wellLeft: new Float64Array(engine.wells),
  }
  const { first, whole } = options.caught ?? catchTwice(engine, series, options.startL === undefined)
  if (options.startL) state.pool.set(Array.from(options.startL, (litres, pool) => Math.max(0, Math.min(litres, engine.capL[pool]!))))
  else {
    const days = Math.min(FIRST_DAYS, series.rainMm.length)
    for (let pool = 0; pool < engine.pools; pool++) state.pool[pool] = engine.capL[pool]! / 2
    runDays(engine, series, first, days, state, newRun(engine, first, days), options)
  }
  const run = newRun(engine, whole, days)
  run.startL = sum(state.pool) + whole.chamberStartL
  runDays(engine, series, whole, days, state, run, options)
  run.endL = sum(state.pool) + whole.chamberEndL
  return run
}

const FIRST_DAYS = 365

/** Runs the roofs over a first year, unless the pools' start is given, and then over the whole series with the chambers as that left them. */
function catchTwice(engine: Engine, series: DailySeries, warm: boolean): PreparedCatch {
  const chamberL = new Float64Array(engine.chambers)
  const first = catchRain(engine, series, warm ? Math.min(FIRST_DAYS, series.rainMm.length) : 0, chamberL)
  return { first, whole: catchRain(engine, series, series.rainMm.length, chamberL) }
}

export function prepareCatch(site: Compiled, series: DailySeries): PreparedCatch {
  return catchTwice(engineOf(site), series, true)
}

/** in − out − spill − change of storage: nothing but rounding, on every run. */
export function massErrorL(run: DailyRun): number {
  return sum(run.caughtL) + sum(run.wellL) + sum(run.mainL) - (sum(run.askedL) - sum(run.shortL)) - sum(run.flushedL) - sum(run.spilledL) - (run.endL - run.startL)
}

function newRun({ pools, uses }: Engine, { caughtL, flushedL, gutterL }: CatchRun, days: number): DailyRun {
  const daily = () => new Float64Array(days)
  return {
    days, pools, uses, storedL: daily(), poolL: new Float64Array(days * pools), askedL: daily(), shortL: daily(), shortByUseL: new Float64Array(days * uses),
    spilledL: daily(), caughtL, flushedL, gutterL, wellL: daily(), mainL: daily(), startL: 0, endL: 0,
  }
}

function sum(values: Float64Array): number {
  let total = 0
  for (let index = 0; index < values.length; index++) total += values[index]!
  return total
}

function runDays(engine: Engine, series: DailySeries, caught: CatchRun, days: number, state: State, run: DailyRun, options: RunOptions): void {
  const { rainMm, month } = series
  const { pools, wells } = engine
  const before = options.yieldBeforeSpill === true
  const askedByMonth = Float64Array.from({ length: 12 }, (_, index) => engine.askedL.reduce((total, litres, at) => at % 12 === index ? total + litres : total, 0))
  for (let day = 0; day < days; day++) run.askedL[day] = askedByMonth[month[day]!]!
  for (let day = 0; day < days; day++) {
    const monthOfDay = month[day]!
    const rain = rainMm[day]!
    if (rain > 0) {
      for (let pool = 0; pool < pools; pool++) state.inflow[pool] = caught.inflowL[day * pools + pool]!
      if (!before) spill(engine, state, run, day)
    }
    for (let index = 0; index < wells; index++) state.wellLeft[index] = engine.wellYieldL[index]!
    if (engine.transfers > 0) {
      transfer(engine, state)
      if (engine.overflowing && !before) spill(engine, state, run, day)
    }
    serve(engine, state, run, day, monthOfDay)
    if (before) spill(engine, state, run, day)
    if (engine.topUps > 0) topUp(engine, state, run, day, 1 << monthOfDay)
    let stored = 0
    for (let pool = 0; pool < pools; pool++) {
      const volume = state.pool[pool]!
      stored += volume
      run.poolL[day * pools + pool] = volume
    }
    run.storedL[day] = stored
  }
}

/** Inflow fills the pools; what does not fit goes along the overflow: into the next pool, or away. */
function spill({ pools, capL, spillOrder, spillTo }: Engine, state: State, run: DailyRun, day: number): void {
  for (let index = 0; index < pools; index++) {
    const pool = spillOrder[index]!
    const most = capL[pool]!
    const volume = state.pool[pool]! + state.inflow[pool]!
    state.inflow[pool] = 0
    if (volume <= most) {
      state.pool[pool] = volume
      continue
    }
    const next = spillTo[pool]!
    if (next >= 0) state.inflow[next]! += volume - most
    else run.spilledL[day]! += volume - most
    state.pool[pool] = most
  }
}

function transfer(engine: Engine, state: State): void {
  for (let index = 0; index < engine.transfers; index++) {
    const from = engine.transferFrom[index]!
    const to = engine.transferTo[index]!
    const litres = Math.min(state.pool[from]! + state.inflow[from]! - engine.transferKeepL[index]!, engine.transferStopL[index]! - state.pool[to]! - state.inflow[to]!, engine.transferMostL[index]!)
    if (litres <= 0) continue
    draw(state, from, litres)
    state.pool[to]! += litres
  }
}

/** Takes litres from a pool; what came in today and has not been spilled yet goes first. */
function draw(state: State, pool: number, litres: number): void {
  const inflow = state.inflow[pool]!
  if (inflow > 0) {
    const fresh = litres < inflow ? litres : inflow
    state.inflow[pool] = inflow - fresh
    state.pool[pool]! -= litres - fresh
  }
  else state.pool[pool]! -= litres
}

/** Uses in their order of priority; those in turn on one pool at once while it holds enough. */
function serve(engine: Engine, state: State, run: DailyRun, day: number, month: number): void {
  for (let block = 0; block < engine.blocks; block++) {
    const pool = engine.blockPool[block]!
    const asked = engine.blockAskedL[block * 12 + month]!
    if (pool >= 0 && state.pool[pool]! + state.inflow[pool]! - engine.blockKeepL[block]! >= asked) draw(state, pool, asked)
    else serveEach(engine, state, run, day, month, engine.blockStart[block]!, engine.blockStart[block + 1]!)
  }
}

/** Each use from its sources in their order, each source down to what it must keep. */
function serveEach({ uses, askedL, sourceStart, sourceKind, sourceIndex, sourceKeepL, sourceMonths }: Engine, state: State, run: DailyRun, day: number, month: number, first: number, past: number): void {
  for (let use = first; use < past; use++) {
    let open = askedL[use * 12 + month]!
    for (let row = sourceStart[use]!; row < sourceStart[use + 1]!; row++) {
      if (open === 0 || (sourceMonths[row]! & 1 << month) === 0) continue
      const source = sourceIndex[row]!
      if (sourceKind[row] === FROM_POOL) {
        const available = state.pool[source]! + state.inflow[source]! - sourceKeepL[row]!
        if (available <= 0) continue
        const litres = available < open ? available : open
        draw(state, source, litres)
        open -= litres
      }
      else if (sourceKind[row] === FROM_WELL) {
        const litres = Math.min(open, state.wellLeft[source]!)
        state.wellLeft[source]! -= litres
        run.wellL[day]! += litres
        open -= litres
      }
      else {
        run.mainL[day]! += open
        open = 0
      }
    }
    if (open === 0) continue
    run.shortL[day]! += open
    run.shortByUseL[day * uses + use] = open
  }
}

/** Wells and mains top a pool up once it falls to their trigger, until it stands at their stop. */
function topUp(engine: Engine, state: State, run: DailyRun, day: number, monthBit: number): void {
  for (let index = 0; index < engine.topUps; index++) {
    if ((engine.topUpMonths[index]! & monthBit) === 0) continue
    const pool = engine.topUpPool[index]!
    if (state.pool[pool]! <= engine.topUpStartL[index]!) state.filling[index] = 1
    if (state.filling[index] === 0) continue
    const wanted = Math.max(0, engine.topUpStopL[index]! - state.pool[pool]!)
    let litres = wanted
    if (engine.topUpFromWell[index] === 1) {
      const well = engine.topUpIndex[index]!
      litres = Math.min(wanted, state.wellLeft[well]!)
      state.wellLeft[well]! -= litres
      run.wellL[day]! += litres
    }
    else run.mainL[day]! += litres
    state.pool[pool]! += litres
    if (litres >= wanted - 1e-9) state.filling[index] = 0
  }
}
