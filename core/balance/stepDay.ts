import { worked, type Lanes } from './lanes'
import { FROM_CART, FROM_POOL, FROM_WELL, type PoolColumns } from './columns'

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
  if (columns.limits > 0) allow(columns, lanes, month)
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

/**
 * What stands above runs on by the night, as far as its ways still bring: tanks as they are found in the morning, a
 * small one behind its float full again. It makes no water, and the day's figures stay what they are.
 */
export function refill(columns: PoolColumns, lanes: Lanes): void {
  if (columns.transfers > 0) transfer(columns, lanes)
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

/** What each way may bring today: by its month, while what it hangs on works. */
function allow({ lanes: count, limits, limitMostL, limitOn }: PoolColumns, lanes: Lanes, month: number): void {
  for (let way = 0; way < limits; way++)
    for (let lane = 0; lane < count; lane++)
      lanes.limitLeft[way * count + lane] = worked(lanes, count, limitOn[way]!, lane, limitMostL[way * 12 + month]!)
}

/** What is left today of some ways together: of the least of them. */
function leftOf(lanes: Lanes, count: number, rows: Int32Array, first: number, past: number, lane: number): number {
  let litres = Infinity
  for (let row = first; row < past; row++) {
    const left = lanes.limitLeft[rows[row]! * count + lane]!
    if (left < litres) litres = left
  }
  return litres
}

/** Takes what came off what each of some ways may still bring. */
function take(
  lanes: Lanes,
  count: number,
  rows: Int32Array,
  first: number,
  past: number,
  lane: number,
  litres: number,
): void {
  for (let row = first; row < past; row++) lanes.limitLeft[rows[row]! * count + lane]! -= litres
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
  const { lanes: count, transferKeepL, transferStopL, transferLimitStart, transferLimit } = columns
  for (let line = 0; line < columns.transfers; line++) {
    const from = columns.transferFrom[line]! * count
    const to = columns.transferTo[line]! * count
    const [first, past] = [transferLimitStart[line]!, transferLimitStart[line + 1]!]
    for (let lane = 0, row = line * count; lane < count; lane++, row++) {
      const mostL = leftOf(lanes, count, transferLimit, first, past, lane)
      const spare = held[from + lane]! - transferKeepL[row]!
      const room = transferStopL[row]! - held[to + lane]!
      const litres = spare < room ? (spare < mostL ? spare : mostL) : room < mostL ? room : mostL
      if (litres <= 0) continue
      held[from + lane]! -= litres
      held[to + lane]! += litres
      take(lanes, count, transferLimit, first, past, lane, litres)
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
    sourceLimitStart,
    sourceLimit,
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
    const [first, past] = [sourceLimitStart[row]!, sourceLimitStart[row + 1]!]
    let wanted = most < open ? most : open
    if (first < past) {
      const left = leftOf(lanes, count, sourceLimit, first, past, lane)
      if (left < wanted) wanted = left
      if (wanted <= 0) continue
    }
    if (sourceKind[row] === FROM_POOL) {
      const available = lanes.pool[source]! - sourceKeepL[row * count + lane]!
      if (available <= 0) continue
      const litres = available < wanted ? available : wanted
      lanes.pool[source]! -= litres
      open -= litres
      if (first < past) take(lanes, count, sourceLimit, first, past, lane, litres)
    } else {
      const left = lanes.supplyLeft[source]!
      const litres = left < wanted ? left : wanted
      lanes.supplyLeft[source]! -= litres
      if (sourceKind[row] === FROM_WELL) lanes.wellL[lane]! += litres
      else lanes.mainL[lane]! += litres
      lanes.brought = true
      open -= litres
      if (first < past) take(lanes, count, sourceLimit, first, past, lane, litres)
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
  const { lanes: count, topUpLimitStart, topUpLimit } = columns
  for (let index = 0; index < columns.topUps; index++) {
    if ((columns.topUpMonths[index]! & monthBit) === 0) {
      // Its months over, the switch starts anew at its trigger.
      lanes.filling.fill(0, index * count, (index + 1) * count)
      continue
    }
    const pool = columns.topUpPool[index]! * count
    const kind = columns.topUpKind[index]!
    const [first, past] = [topUpLimitStart[index]!, topUpLimitStart[index + 1]!]
    for (let lane = 0, row = index * count; lane < count; lane++, row++) {
      const heldL = lanes.pool[pool + lane]!
      if (heldL <= columns.topUpStartL[row]!) lanes.filling[row] = 1
      if (lanes.filling[row] === 0) continue
      const leftL = leftOf(lanes, count, topUpLimit, first, past, lane)
      const ruleL = worked(lanes, count, columns.topUpOn[index]!, lane, columns.topUpMostL[index]!)
      const mostL = leftL < ruleL ? leftL : ruleL
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
      take(lanes, count, topUpLimit, first, past, lane, litres)
      lanes.pool[pool + lane]! += litres
      lanes.brought = true
      if (litres >= wanted - 1e-9 || kind === FROM_CART) lanes.filling[row] = 0
    }
  }
}
