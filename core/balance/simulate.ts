import { WET_DAY_HOURS } from '../catalog'
import { roofYield } from '../sums'
import type { DailySeries } from '../climate'
import type { Compiled } from './compile'

export interface RunOptions {
  /** Serve the day's uses before what does not fit is spilled. The safe side is the other way round. */
  yieldBeforeSpill?: boolean
  /** Litres in each pool at the start; left out, the pools start as a first year of this weather leaves them. */
  startL?: ArrayLike<number>
}

/** What happened, day by day. Rows of `poolL` and `metByUseL` hold one figure a pool or use. */
export interface DailyRun {
  days: number
  pools: number
  uses: number
  storedL: Float64Array
  poolL: Float64Array
  askedL: Float64Array
  metL: Float64Array
  metByUseL: Float64Array
  spilledL: Float64Array
  /** Roof water that reached a chamber or tank, first flush kept from the tanks, and top-up from wells and mains. */
  caughtL: Float64Array
  flushedL: Float64Array
  wellL: Float64Array
  mainL: Float64Array
  startL: number
  endL: number
  /** in − out − spill − change of storage. */
  massErrorL: number
}

const WET_SHARE_OF_DAY = WET_DAY_HOURS / 24

/** A state that days are run on: litres in pools and chambers, and which top-ups are under way. */
interface State { pool: Float64Array, chamber: Float64Array, filling: Uint8Array, inflow: Float64Array, wellLeft: Float64Array }

/**
 * Runs the daily water balance over a series of days, in the order of the methods: roofs, chambers, inflow and spill, transfers and uses,
 * top-up. A pure function of its arguments; nothing is allocated within the loop.
 */
export function simulate(site: Compiled, series: DailySeries, options: RunOptions = {}): DailyRun {
  const days = series.rainMm.length
  const state: State = {
    pool: new Float64Array(site.pools.length), chamber: new Float64Array(site.chambers.length),
    filling: new Uint8Array(site.topUps.length), inflow: new Float64Array(site.pools.length), wellLeft: new Float64Array(site.wells.length),
  }
  if (options.startL) state.pool.set(Array.from(options.startL, (litres, pool) => Math.max(0, Math.min(litres, site.pools[pool]!.capL))))
  else {
    site.pools.forEach((pool, index) => state.pool[index] = pool.capL / 2)
    runDays(site, series, Math.min(365, days), state, newRun(site, Math.min(365, days)), options)
  }
  const run = newRun(site, days)
  run.startL = held(state)
  runDays(site, series, days, state, run, options)
  run.endL = held(state)
  run.massErrorL = sum(run.caughtL) + sum(run.wellL) + sum(run.mainL) - sum(run.metL) - sum(run.flushedL) - sum(run.spilledL) - (run.endL - run.startL)
  return run
}

function newRun(site: Compiled, days: number): DailyRun {
  const daily = () => new Float64Array(days)
  return {
    days, pools: site.pools.length, uses: site.demands.length,
    storedL: daily(), poolL: new Float64Array(days * site.pools.length), askedL: daily(), metL: daily(), metByUseL: new Float64Array(days * site.demands.length),
    spilledL: daily(), caughtL: daily(), flushedL: daily(), wellL: daily(), mainL: daily(), startL: 0, endL: 0, massErrorL: 0,
  }
}

const sum = (values: Float64Array) => values.reduce((total, value) => total + value, 0)
const held = (state: State) => sum(state.pool) + sum(state.chamber)

function runDays(site: Compiled, series: DailySeries, days: number, state: State, run: DailyRun, options: RunOptions): void {
  const { rainMm, month } = series
  const overflowing = site.transfers.some(transfer => transfer.stopL === Infinity)
  const before = options.yieldBeforeSpill === true
  for (let day = 0; day < days; day++) {
    const monthOfDay = month[day]!
    drainChambers(site, state, run, day, rainMm[day]! > 0)
    if (rainMm[day]! > 0) catchRain(site, state, run, day, rainMm[day]!, 1 << monthOfDay)
    if (!before) spill(site, state, run, day)
    for (let index = 0; index < site.wells.length; index++) state.wellLeft[index] = site.wells[index]!.yieldLPerDay
    transfer(site, state)
    if (overflowing && !before) spill(site, state, run, day)
    serve(site, state, run, day, monthOfDay)
    if (before) spill(site, state, run, day)
    topUp(site, state, run, day, 1 << monthOfDay)
    let stored = 0
    for (let pool = 0; pool < site.pools.length; pool++) {
      stored += state.pool[pool]!
      run.poolL[day * site.pools.length + pool] = state.pool[pool]!
    }
    run.storedL[day] = stored
  }
}

/** Between rains a chamber empties through its outlet under a falling head, or by hand on its day. */
function drainChambers(site: Compiled, state: State, run: DailyRun, day: number, wet: boolean): void {
  for (let index = 0; index < site.chambers.length; index++) {
    const { capL, drainHours, emptiedEveryDays } = site.chambers[index]!
    const before = state.chamber[index]!
    if (before === 0) continue
    let after = before
    if (drainHours !== Infinity) {
      // Content falls with the square of the level's root: c(t) = C·(√(c₀/C) − t/T)².
      const root = Math.sqrt(before / capL) - (wet ? 24 * (1 - WET_SHARE_OF_DAY) : 24) / drainHours
      after = root > 0 ? capL * root * root : 0
    }
    if (emptiedEveryDays > 0 && day % emptiedEveryDays === 0) after = 0
    state.chamber[index] = after
    run.flushedL[day] = run.flushedL[day]! + before - after
  }
}

function catchRain(site: Compiled, state: State, run: DailyRun, day: number, rainMm: number, monthBit: number): void {
  for (let index = 0; index < site.caught.length; index++) {
    const entry = site.caught[index]!
    if (entry.pool < 0 || (entry.bypassMonths & monthBit) !== 0) continue
    let litres = roofLitres(entry, rainMm)
    if (litres === 0) continue
    run.caughtL[day] = run.caughtL[day]! + litres
    if (entry.chamber >= 0) litres -= divert(site, state, run, day, entry.chamber, litres)
    state.inflow[entry.pool] = state.inflow[entry.pool]! + litres
  }
}

function roofLitres(entry: Compiled['caught'][number], rainMm: number): number {
  rainOnRoof.planAreaM2 = entry.areaM2
  rainOnRoof.rainMm = rainMm
  rainOnRoof.runoffCoefficient = entry.runoffCoefficient
  rainOnRoof.wettingLossMm = entry.wettingLossMm
  return roofYield(rainOnRoof).volumeL
}
/** One input object for every call, so that the loop allocates nothing. */
const rainOnRoof = { planAreaM2: 0, rainMm: 0, runoffCoefficient: 0, wettingLossMm: 0 }

/** What a chamber keeps of an inflow: the room it has, then what its outlet passes at full head while it rains. */
function divert(site: Compiled, state: State, run: DailyRun, day: number, index: number, litres: number): number {
  const { capL, drainHours } = site.chambers[index]!
  const room = capL - state.chamber[index]!
  const taken = litres < room ? litres : room
  state.chamber[index] = state.chamber[index]! + taken
  if (drainHours === Infinity || litres <= taken) return taken
  // V(t) = C(1 − t/T)² starts at a rate of 2C/T: that is the outlet's flow under full head.
  const passes = Math.min(litres - taken, 2 * capL / drainHours * WET_DAY_HOURS)
  run.flushedL[day] = run.flushedL[day]! + passes
  return taken + passes
}

/** Inflow fills the pools; what does not fit goes along the overflow: into the next pool, or away. */
function spill(site: Compiled, state: State, run: DailyRun, day: number): void {
  for (let index = 0; index < site.spillOrder.length; index++) {
    const pool = site.spillOrder[index]!
    const { capL } = site.pools[pool]!
    let volume = state.pool[pool]! + state.inflow[pool]!
    state.inflow[pool] = 0
    if (volume > capL) {
      const next = site.spillTo[pool]!
      if (next >= 0) state.inflow[next] = state.inflow[next]! + volume - capL
      else run.spilledL[day] = run.spilledL[day]! + volume - capL
      volume = capL
    }
    state.pool[pool] = volume
  }
}

function transfer(site: Compiled, state: State): void {
  for (let index = 0; index < site.transfers.length; index++) {
    const { from, to, keepL, stopL, mostLPerDay } = site.transfers[index]!
    const litres = Math.min(state.pool[from]! + state.inflow[from]! - keepL, stopL - state.pool[to]! - state.inflow[to]!, mostLPerDay)
    if (litres > 0) move(state, from, to, litres)
  }
}

function move(state: State, from: number, to: number, litres: number): void {
  draw(state, from, litres)
  state.pool[to] = state.pool[to]! + litres
}

/** Takes litres from a pool; what came in today and has not been spilled yet goes first. */
function draw(state: State, pool: number, litres: number): void {
  const fresh = Math.min(litres, state.inflow[pool]!)
  state.inflow[pool] = state.inflow[pool]! - fresh
  state.pool[pool] = state.pool[pool]! - (litres - fresh)
}

function serve(site: Compiled, state: State, run: DailyRun, day: number, month: number): void {
  for (let use = 0; use < site.demands.length; use++) {
    const { litresPerDay, sources } = site.demands[use]!
    const asked = litresPerDay[month]!
    let open = asked
    for (let index = 0; index < sources.length && open > 0; index++) {
      const source = sources[index]!
      if ((source.months & 1 << month) === 0) continue
      let litres = open
      if (source.kind === 'pool') {
        litres = Math.max(0, Math.min(open, state.pool[source.index]! + state.inflow[source.index]! - source.keepL))
        draw(state, source.index, litres)
      }
      else if (source.kind === 'well') {
        litres = Math.min(open, state.wellLeft[source.index]!)
        state.wellLeft[source.index] = state.wellLeft[source.index]! - litres
        run.wellL[day] = run.wellL[day]! + litres
      }
      else run.mainL[day] = run.mainL[day]! + litres
      open -= litres
    }
    const met = asked - open
    run.askedL[day] = run.askedL[day]! + asked
    run.metL[day] = run.metL[day]! + met
    run.metByUseL[day * site.demands.length + use] = met
  }
}

/** Wells and mains top a pool up once it falls to their trigger, until it stands at their stop. */
function topUp(site: Compiled, state: State, run: DailyRun, day: number, monthBit: number): void {
  for (let index = 0; index < site.topUps.length; index++) {
    const { kind, index: source, pool, startL, stopL, months } = site.topUps[index]!
    if ((months & monthBit) === 0) continue
    if (state.pool[pool]! <= startL) state.filling[index] = 1
    if (state.filling[index] === 0) continue
    const wanted = stopL - state.pool[pool]!
    const litres = Math.max(0, kind === 'well' ? Math.min(wanted, state.wellLeft[source]!) : wanted)
    state.pool[pool] = state.pool[pool]! + litres
    if (kind === 'well') {
      state.wellLeft[source] = state.wellLeft[source]! - litres
      run.wellL[day] = run.wellL[day]! + litres
    }
    else run.mainL[day] = run.mainL[day]! + litres
    if (state.pool[pool]! >= stopL - 1e-9) state.filling[index] = 0
  }
}
