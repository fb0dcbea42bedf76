import type { RoofColumns } from './columns'
import { roofRunoff, type RoofRunoff } from './snow'
import type { DailySeries } from '../climate'
import { DRY_HOURS_OF_WET_DAY, WET_DAY_HOURS } from '../catalog'

/** What became of the rain on one share of a roof, litres over the whole series. */
export interface CatchTotals {
  runoffL: number
  overGutterL: number
  bypassedL: number
  screenedL: number
}
/**
 * What a chamber did, litres over the whole series: emptied between rains, and let out of its outlet while it rained.
 */
export interface ChamberTotals {
  emptiedL: number
  outletL: number
}

/**
 * Roof water day by day, from the sky to the tanks' inlets. It does not ask what the tanks hold, so one catch serves
 * every size of tank.
 */
export interface CatchRun {
  /** One figure a pool and day: what arrives at its inlets; and the days on which anything does. */
  inflowL: Float64Array
  arrives: Uint8Array
  /** What reached a chamber or tank, what chambers kept from the tanks, what spilled over gutters. */
  caughtL: Float64Array
  flushedL: Float64Array
  gutterL: Float64Array
  catches: CatchTotals[]
  chambers: ChamberTotals[]
  chamberStartL: number
  chamberEndL: number
}

/** What chambers hold, L, and what lies on roofs, mm; carried on from one run to the next. */
export interface RoofState {
  chamberL: Float64Array
  lyingMm: Float64Array
}
export const bareRoofs = (roofs: RoofColumns): RoofState => ({
  chamberL: new Float64Array(roofs.chambers),
  lyingMm: new Float64Array(roofs.caught),
})

/** Runs the first `days` of a series over the roofs, gutters, screens and chambers. */
export function catchRain(
  roofs: RoofColumns,
  series: DailySeries,
  days: number,
  { chamberL, lyingMm }: RoofState,
): CatchRun {
  const { pools } = roofs
  const run: CatchRun = {
    inflowL: new Float64Array(days * pools),
    arrives: new Uint8Array(days),
    caughtL: new Float64Array(days),
    flushedL: new Float64Array(days),
    gutterL: new Float64Array(days),
    catches: Array.from({ length: roofs.caught }, () => ({ runoffL: 0, overGutterL: 0, bypassedL: 0, screenedL: 0 })),
    chambers: Array.from({ length: roofs.chambers }, () => ({ emptiedL: 0, outletL: 0 })),
    chamberStartL: total(chamberL),
    chamberEndL: 0,
  }
  // V(t) = C(1 − t/T)² starts at a rate of 2C/T: that is the outlet's flow under full head. Over a wet day it is
  // shared by all spouts above it.
  const outletL = roofs.chamberL.map((capL, index) => ((2 * capL) / roofs.chamberHours[index]!) * WET_DAY_HOURS)
  const outletLeft = new Float64Array(roofs.chambers)
  const { rainMm, month, split } = series
  const water = roofRunoff(series, days, roofs.meanC, roofs.caughtSnow, lyingMm)
  const thaws = water.some(({ meltMm }) => meltMm)
  for (let day = 0; day < days; day++) {
    // What melts runs past the chambers as rain does, for as many hours.
    const runs = rainMm[day]! > 0 || (thaws && water.some(({ meltMm }) => meltMm !== undefined && meltMm[day]! > 0))
    if (roofs.chambers > 0) emptyChambers(roofs, run, day, runs, chamberL)
    if (!runs) continue
    outletLeft.set(outletL)
    fall(roofs, run, day, water, 1 << month[day]!, split, chamberL, outletLeft)
  }
  run.chamberEndL = total(chamberL)
  return run
}

/** Between rains a chamber empties through its outlet under a falling head, or by hand on its day. */
function emptyChambers(
  { chambers, chamberL: capacityL, chamberHours, chamberEvery }: RoofColumns,
  run: CatchRun,
  day: number,
  wet: boolean,
  chamberL: Float64Array,
): void {
  for (let index = 0; index < chambers; index++) {
    const before = chamberL[index]!
    if (before === 0) continue
    const capL = capacityL[index]!
    const hours = chamberHours[index]!
    const every = chamberEvery[index]!
    let after = before
    if (hours !== Infinity) {
      // Content falls with the square of the level's root: c(t) = C·(√(c₀/C) − t/T)².
      const root = Math.sqrt(before / capL) - (wet ? DRY_HOURS_OF_WET_DAY : 24) / hours
      after = root > 0 ? capL * root * root : 0
    }
    if (every > 0 && day % every === 0) after = 0
    chamberL[index] = after
    run.flushedL[day]! += before - after
    run.chambers[index]!.emptiedL += before - after
  }
}

/** The day's `roof-yield` of every spout, written out so that the loop calls little; a test holds the two together. */
function fall(
  roofs: RoofColumns,
  run: CatchRun,
  day: number,
  water: readonly RoofRunoff[],
  monthBit: number,
  split: Float64Array | undefined,
  chamberL: Float64Array,
  outletLeft: Float64Array,
): void {
  for (let index = 0; index < roofs.caught; index++) {
    const { rainMm, meltMm } = water[index]!
    const melt = meltMm === undefined ? 0 : meltMm[day]!
    const fallen = rainMm[day]! + melt
    const effectiveMm = fallen - roofs.caughtLossMm[index]!
    if (fallen === 0 || effectiveMm <= 0) continue
    const runoffMm = effectiveMm * roofs.caughtCoefficient[index]!
    const areaM2 = roofs.caughtArea[index]!
    const totals = run.catches[index]!
    let litres = areaM2 * runoffMm
    totals.runoffL += litres
    const stepMm = roofs.caughtStepMm[index]!
    // What melts comes evenly; only rain comes in bursts.
    const burstMm = melt === 0 ? runoffMm : (runoffMm * (fallen - melt)) / fallen
    if (split !== undefined && burstMm * split[0]! > stepMm) {
      const over = areaM2 * overMm(burstMm, split, stepMm)
      litres -= over
      totals.overGutterL += over
      run.gutterL[day]! += over
    }
    if ((roofs.caughtBypass[index]! & monthBit) !== 0) {
      totals.bypassedL += litres
      continue
    }
    const screened = litres * (1 - roofs.caughtShare[index]!)
    totals.screenedL += screened
    litres -= screened
    run.caughtL[day]! += litres
    for (let row = roofs.caughtStart[index]!; row < roofs.caughtStart[index + 1]!; row++)
      litres -= divert(roofs, run, day, roofs.caughtChamber[row]!, litres, chamberL, outletLeft)
    run.inflowL[day * roofs.pools + roofs.caughtPool[index]!]! += litres
    run.arrives[day] = 1
  }
}

/**
 * Millimetres of a day's runoff that come faster than a gutter, downpipe or line passes, step by step until the burst
 * is over.
 */
export function overMm(runoffMm: number, split: Float64Array, stepMm: number): number {
  let over = 0
  for (let step = 0; step < split.length; step++) {
    const excess = runoffMm * split[step]! - stepMm
    if (excess <= 0) break
    over += excess
  }
  return over
}

/**
 * What a chamber keeps of an inflow: the room it has, then what its outlet still passes at full head while it rains.
 */
function divert(
  { chamberL: capacityL }: RoofColumns,
  run: CatchRun,
  day: number,
  index: number,
  litres: number,
  chamberL: Float64Array,
  outletLeft: Float64Array,
): number {
  const room = capacityL[index]! - chamberL[index]!
  const taken = litres < room ? litres : room
  chamberL[index]! += taken
  const passes = Math.min(litres - taken, outletLeft[index]!)
  if (passes <= 0) return taken
  outletLeft[index]! -= passes
  run.flushedL[day]! += passes
  run.chambers[index]!.outletL += passes
  return taken + passes
}

function total(values: Float64Array): number {
  let sum = 0
  for (const value of values) sum += value
  return sum
}
