import { byHappening, dayColumns, type DayFigure, type Happened, type DayEvent } from './figures'
import type { PoolColumns } from './columns'

/**
 * Runs of one site side by side, a lane each: what the pools hold, and what happened on the day that was stepped
 * last, with whether it happened in any lane: figures of what did not are nought, and need neither be read nor wiped.
 * Rows of pools and uses hold a figure a lane, at `row * lanes + lane`. Sizes of a tank and members of an ensemble are
 * lanes; a single run is one lane.
 */
export interface Lanes extends Record<DayFigure, Float64Array>, Record<DayEvent, boolean> {
  pool: Float64Array
  /** What each use, each block of uses and all together ask today: one figure for all lanes, or one a lane. */
  askWidth: number
  askedL: Float64Array
  blockAskedL: Float64Array
  allAskedL: Float64Array
  /** The month (0–11) that the figures above are of. */
  askedMonth: number
  filling: Uint8Array
  /** The share of today that each set of things works on which others hang: a figure a set and lane. */
  onShare: Float64Array
  /** What each well and main can still bring today. */
  supplyLeft: Float64Array
  /** What each way can still bring today. */
  limitLeft: Float64Array
  shortByUseL: Float64Array
  rationedByUseL: Float64Array
  /** The figures of a day by what must happen before them. */
  figures: Happened
}

/** Lanes whose pools stand at a share of what they hold; those that nothing fills are empty. */
export function startLanes(columns: PoolColumns, share: number, askWidth: number): Lanes {
  const { lanes, pools, uses, blocks, topUps, shares, supplies, supplyMostL, capL, filled } = columns
  const { spilledL, wellL, mainL, cartL, loads, shortL, rationedL } = dayColumns(lanes)
  // Written out: what is spread into an object is reached more slowly, and the days' loops read nothing else.
  return {
    pool: capL.map((litres, at) => litres * share * filled[Math.floor(at / lanes)]!).subarray(0, pools * lanes),
    askWidth,
    askedL: new Float64Array(uses * askWidth),
    blockAskedL: new Float64Array(blocks * askWidth),
    allAskedL: new Float64Array(askWidth),
    askedMonth: -1,
    filling: new Uint8Array(topUps * lanes),
    onShare: new Float64Array(shares * lanes).fill(1),
    supplyLeft: Float64Array.from({ length: supplies * lanes }, (_, at) => supplyMostL[Math.floor(at / lanes)]!),
    limitLeft: new Float64Array(columns.limits * lanes),
    spilledL,
    wellL,
    mainL,
    cartL,
    loads,
    shortL,
    rationedL,
    shortByUseL: new Float64Array(uses * lanes),
    rationedByUseL: new Float64Array(uses * lanes),
    spilled: false,
    brought: false,
    withheld: false,
    figures: byHappening({ spilledL, wellL, mainL, cartL, loads, shortL, rationedL }),
  }
}

/**
 * What is asked on a day: by the month, and by beds as their soil stands. `bedsL` holds what the beds ask, a row a
 * day: one for all lanes, or one a lane.
 */
export function askDay(
  columns: PoolColumns,
  lanes: Lanes,
  day: number,
  month: number,
  bedsL: readonly Float64Array[],
): void {
  const { bedUse } = columns
  const { askWidth, askedL } = lanes
  let anew = month !== lanes.askedMonth
  if (anew) askMonth(columns, lanes, month)
  for (let lane = 0; lane < askWidth; lane++) {
    const ownL = bedsL[lane]!
    for (let bed = 0, row = day * bedUse.length; bed < bedUse.length; bed++, row++) {
      const at = bedUse[bed]! * askWidth + lane
      if (askedL[at] === ownL[row]) continue
      askedL[at] = ownL[row]!
      anew = true
    }
  }
  if (anew) addUpAsked(columns, lanes)
}

/**
 * What works today: `onShares` holds a row a day for all lanes, or one a lane. What a well or a main can still bring
 * is less by as much.
 */
export function switchDay(columns: PoolColumns, lanes: Lanes, day: number, onShares: readonly Float64Array[]): void {
  const { lanes: count, shares, supplies, supplyMostL, supplyOn } = columns
  for (let column = 0; column < shares; column++)
    for (let lane = 0; lane < count; lane++)
      lanes.onShare[column * count + lane] = onShares[onShares.length > 1 ? lane : 0]![day * shares + column]!
  for (let supply = 0; supply < supplies; supply++)
    for (let lane = 0; lane < count; lane++)
      lanes.supplyLeft[supply * count + lane] = worked(lanes, count, supplyOn[supply]!, lane, supplyMostL[supply]!)
}

/** The part of a day's most that what it hangs on lets through. */
export function worked({ onShare }: Lanes, count: number, on: number, lane: number, mostL: number): number {
  if (on < 0) return mostL
  const share = onShare[on * count + lane]!
  return share === 0 ? 0 : mostL * share
}

function askMonth({ uses, askedL }: PoolColumns, lanes: Lanes, month: number): void {
  const { askWidth } = lanes
  lanes.askedMonth = month
  for (let use = 0; use < uses; use++)
    lanes.askedL.fill(askedL[use * 12 + month]!, use * askWidth, (use + 1) * askWidth)
}

export function addUpAsked({ blocks, blockStart }: PoolColumns, lanes: Lanes): void {
  const { askWidth, askedL, blockAskedL, allAskedL } = lanes
  for (let lane = 0; lane < askWidth; lane++) {
    let all = 0
    for (let block = 0; block < blocks; block++) {
      let asked = 0
      for (let use = blockStart[block]!; use < blockStart[block + 1]!; use++) asked += askedL[use * askWidth + lane]!
      blockAskedL[block * askWidth + lane] = asked
      all += asked
    }
    allAskedL[lane] = all
  }
}
