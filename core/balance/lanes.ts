import { byHappening, dayColumns, type DayFigure, type Happened, type Happening } from './figures'
import { FROM_CART, FROM_POOL, FROM_WELL, type PoolColumns } from './columns'

/**
 * Runs of one site side by side, a lane each: what the pools hold, and what happened on the day that was stepped
 * last, with whether it happened in any lane: figures of what did not are nought, and need neither be read nor wiped.
 * Rows of pools and uses hold a figure a lane, at `row * lanes + lane`. Sizes of a tank and members of an ensemble are
 * lanes; a single run is one lane.
 */
export interface Lanes extends Record<DayFigure, Float64Array>, Record<Happening, boolean> {
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
function worked({ onShare }: Lanes, count: number, on: number, lane: number, mostL: number): number {
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

function addUpAsked({ blocks, blockStart }: PoolColumns, lanes: Lanes): void {
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

/**
 * One day in the order of the methods, in every lane at once: what arrives fills the pools and spills, transfers,
 * uses, top-up. Nothing is
 * allocated. `arrive` adds the day's inflow to the pools; it is called on days with rain. With `before`, uses are
 * served before the spill.
 */
export function stepDay(
  columns: PoolColumns,
  lanes: Lanes,
  month: number,
  arrive: (() => void) | undefined,
  before: boolean,
): void {
  wipe(columns, lanes)
  if (arrive) {
    arrive()
    if (!before) spill(columns, lanes)
  }
  if (columns.transfers > 0) {
    transfer(columns, lanes)
    if (columns.overflowing && !before) spill(columns, lanes)
  }
  serve(columns, lanes, month)
  if (before) spill(columns, lanes)
  if (columns.topUps > 0) topUp(columns, lanes, 1 << month)
  if (columns.drained) drain(columns, lanes, 1 << month)
}

/** Pools that stand empty for the frost lose what they hold, and what comes. */
function drain({ lanes: count, pools, drainedMonths }: PoolColumns, lanes: Lanes, monthBit: number): void {
  for (let pool = 0; pool < pools; pool++) {
    if ((drainedMonths[pool]! & monthBit) === 0) continue
    for (let lane = 0, at = pool * count; lane < count; lane++, at++) {
      lanes.spilledL[lane]! += lanes.pool[at]!
      lanes.pool[at] = 0
    }
    lanes.spilled = true
  }
}

function wipe({ lanes: count, shares, supplies, supplyMostL }: PoolColumns, lanes: Lanes): void {
  const { figures, supplyLeft } = lanes
  if (!lanes.spilled && !lanes.brought && !lanes.withheld) return
  if (lanes.spilled) clear(figures.spilled, count)
  if (lanes.brought) {
    clear(figures.brought, count)
    // Where things fail, the day's switching has told it already.
    for (let supply = shares > 0 ? supplies : 0; supply < supplies; supply++)
      supplyLeft.fill(supplyMostL[supply]!, supply * count, (supply + 1) * count)
  }
  if (lanes.withheld) {
    clear(figures.withheld, count)
    lanes.shortByUseL.fill(0)
    lanes.rationedByUseL.fill(0)
  }
  lanes.spilled = lanes.brought = lanes.withheld = false
}

/** A loop of its own is quicker than `fill` for the few lanes there are. */
function clear(columns: Float64Array[], count: number): void {
  for (let at = 0; at < columns.length; at++) for (let lane = 0; lane < count; lane++) columns[at]![lane] = 0
}

/** What a pool cannot hold goes along its overflow: into the next pool, or away. */
function spill({ lanes: count, pools, capL, spillOrder, spillTo }: PoolColumns, lanes: Lanes): void {
  const { pool: held, spilledL } = lanes
  for (let index = 0; index < pools; index++) {
    const pool = spillOrder[index]!
    const next = spillTo[pool]!
    for (let lane = 0, at = pool * count; lane < count; lane++, at++) {
      const over = held[at]! - capL[at]!
      if (over <= 0) continue
      held[at] = capL[at]!
      if (next >= 0) held[next * count + lane]! += over
      else {
        spilledL[lane]! += over
        lanes.spilled = true
      }
    }
  }
}

function transfer(columns: PoolColumns, lanes: Lanes): void {
  const { pool: held } = lanes
  const { lanes: count, transferKeepL, transferStopL } = columns
  for (let line = 0; line < columns.transfers; line++) {
    const from = columns.transferFrom[line]! * count
    const to = columns.transferTo[line]! * count
    const on = columns.transferOn[line]!
    for (let lane = 0, row = line * count; lane < count; lane++, row++) {
      const mostL = worked(lanes, count, on, lane, columns.transferMostL[line]!)
      const spare = held[from + lane]! - transferKeepL[row]!
      const room = transferStopL[row]! - held[to + lane]!
      const litres = spare < room ? (spare < mostL ? spare : mostL) : room < mostL ? room : mostL
      if (litres <= 0) continue
      held[from + lane]! -= litres
      held[to + lane]! += litres
    }
  }
}

/** Uses in their order of priority; those in turn on one pool at once while it holds enough. */
function serve(columns: PoolColumns, lanes: Lanes, month: number): void {
  const { lanes: count, blockKeepL } = columns
  const { pool: held, askWidth, blockAskedL } = lanes
  for (let block = 0; block < columns.blocks; block++) {
    const pool = columns.blockPool[block]!
    const [first, past] = [columns.blockStart[block]!, columns.blockStart[block + 1]!]
    let asked = blockAskedL[block * askWidth]!
    for (let lane = 0; lane < count; lane++) {
      const at = pool * count + lane
      if (askWidth > 1) asked = blockAskedL[block * askWidth + lane]!
      if (pool >= 0 && held[at]! - blockKeepL[block * count + lane]! >= asked) held[at]! -= asked
      else for (let use = first; use < past; use++) serveUse(columns, lanes, use, month, lane)
    }
  }
}

/** One use from its sources in their order, each down to what it must keep. */
function serveUse(columns: PoolColumns, lanes: Lanes, use: number, month: number, lane: number): void {
  const {
    lanes: count,
    sourceStart,
    sourceKind,
    sourceIndex,
    sourceKeepL,
    sourceMonths,
    sourceOn,
    sourceShare,
  } = columns
  const { rationStart } = columns
  const { askWidth } = lanes
  let open = lanes.askedL[use * askWidth + (askWidth > 1 ? lane : 0)]!
  if (rationStart[use]! < rationStart[use + 1]!) open -= rationed(columns, lanes, use, open, lane)
  const asked = open
  for (let row = sourceStart[use]!; row < sourceStart[use + 1]!; row++) {
    if (open === 0 || (sourceMonths[row]! & (1 << month)) === 0) continue
    const source = sourceIndex[row]! * count + lane
    const most = worked(lanes, count, sourceOn[row]!, lane, asked * sourceShare[row]!)
    const wanted = most < open ? most : open
    if (sourceKind[row] === FROM_POOL) {
      const available = lanes.pool[source]! - sourceKeepL[row * count + lane]!
      if (available <= 0) continue
      const litres = available < wanted ? available : wanted
      lanes.pool[source]! -= litres
      open -= litres
    } else {
      const left = lanes.supplyLeft[source]!
      const litres = left < wanted ? left : wanted
      lanes.supplyLeft[source]! -= litres
      if (sourceKind[row] === FROM_WELL) lanes.wellL[lane]! += litres
      else lanes.mainL[lane]! += litres
      lanes.brought = true
      open -= litres
    }
  }
  if (open === 0) return
  lanes.shortL[lane]! += open
  lanes.shortByUseL[use * count + lane] = open
  lanes.withheld = true
}

/** What the person's rules take off a use today: the strictest of those whose level the pool has fallen below. */
function rationed(columns: PoolColumns, lanes: Lanes, use: number, asked: number, lane: number): number {
  const { lanes: count, rationStart, rationPool, rationBelowL, rationShare } = columns
  let share = 1
  for (let row = rationStart[use]!; row < rationStart[use + 1]!; row++) {
    if (lanes.pool[rationPool[row]! * count + lane]! < rationBelowL[row * count + lane]! && rationShare[row]! < share)
      share = rationShare[row]!
  }
  if (share === 1) return 0
  const litres = asked * (1 - share)
  lanes.rationedL[lane]! += litres
  lanes.rationedByUseL[use * count + lane] = litres
  lanes.withheld = true
  return litres
}

/**
 * Wells and mains top a pool up once it falls to their trigger, until it stands at their stop; carted water comes by
 * the load.
 */
function topUp(columns: PoolColumns, lanes: Lanes, monthBit: number): void {
  const { lanes: count } = columns
  for (let index = 0; index < columns.topUps; index++) {
    if ((columns.topUpMonths[index]! & monthBit) === 0) {
      // Its months over, the switch starts anew at its trigger.
      lanes.filling.fill(0, index * count, (index + 1) * count)
      continue
    }
    const pool = columns.topUpPool[index]! * count
    const kind = columns.topUpKind[index]!
    for (let lane = 0, row = index * count; lane < count; lane++, row++) {
      const heldL = lanes.pool[pool + lane]!
      if (heldL <= columns.topUpStartL[row]!) lanes.filling[row] = 1
      if (lanes.filling[row] === 0) continue
      const mostL = worked(lanes, count, columns.topUpOn[index]!, lane, columns.topUpMostL[index]!)
      const wanted = Math.max(0, columns.topUpStopL[row]! - heldL)
      let litres = wanted < mostL ? wanted : mostL
      if (kind !== FROM_CART) {
        const supply = columns.topUpIndex[index]! * count + lane
        if (lanes.supplyLeft[supply]! < litres) litres = lanes.supplyLeft[supply]!
        lanes.supplyLeft[supply]! -= litres
        if (kind === FROM_WELL) lanes.wellL[lane]! += litres
        else lanes.mainL[lane]! += litres
      } else if (litres > 0) {
        lanes.cartL[lane]! += litres
        lanes.loads[lane]!++
      }
      lanes.pool[pool + lane]! += litres
      lanes.brought = true
      if (litres >= wanted - 1e-9 || kind === FROM_CART) lanes.filling[row] = 0
    }
  }
}
