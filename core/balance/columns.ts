import { NEVER_FAILS, type Compiled } from './compiled'
import { SPLIT_MINUTES } from '../climate'

/**
 * Roofs and chambers laid out flat, as the daily catch reads them: one typed array a column, one row a share of a
 * roof or a chamber.
 */
export interface RoofColumns {
  pools: number
  caught: number
  caughtArea: Float64Array
  caughtCoefficient: Float64Array
  caughtLossMm: Float64Array
  /**
   * Share that guard and screens let through, and the most runoff that gutter, downpipe and line pass in one step of
   * a storm, mm.
   */
  caughtShare: Float64Array
  caughtStepMm: Float64Array
  /** Chambers that the water of row r comes past, in order: the rows from caughtStart[r] to caughtStart[r + 1]. */
  caughtStart: Int32Array
  caughtChamber: Int32Array
  caughtPool: Int32Array
  caughtBypass: Int32Array
  caughtSnow: Float64Array
  meanC: readonly number[]

  chambers: number
  chamberL: Float64Array
  chamberHours: Float64Array
  chamberEvery: Int32Array
}

/**
 * Pools, lines, uses and top-ups laid out flat for several runs side by side. What is the same in all of them has one
 * figure a row;
 * litres that may differ have one a row and run, at `row * lanes + lane`.
 */
export interface PoolColumns {
  lanes: number
  pools: number
  capL: Float64Array
  /** 1 where anything fills the pool, 0 where nothing ever does. */
  filled: Uint8Array
  spillOrder: Int32Array
  spillTo: Int32Array

  transfers: number
  transferFrom: Int32Array
  transferTo: Int32Array
  transferKeepL: Float64Array
  transferStopL: Float64Array
  /** Ways of transfer t, whose limits hold it: the rows from transferLimitStart[t] to transferLimitStart[t + 1]. */
  transferLimitStart: Int32Array
  transferLimit: Int32Array
  /** True where a transfer can fill its pool past the spill point. */
  overflowing: boolean

  uses: number
  /** Litres a day, twelve a use; of a bed nought, since its soil asks day by day. */
  askedL: Float64Array
  /** The uses that are beds. */
  bedUse: Int32Array
  /** Sources of use u are the rows from sourceStart[u] to sourceStart[u + 1]; its steps of rationing likewise. */
  sourceStart: Int32Array
  sourceKind: Uint8Array
  sourceIndex: Int32Array
  sourceKeepL: Float64Array
  sourceMonths: Int32Array
  /** What a source, a supply or a top-up hangs on: a column of the day's shares, or −1. */
  sourceOn: Int32Array
  sourceLimitStart: Int32Array
  sourceLimit: Int32Array
  sourceShare: Float64Array
  rationStart: Int32Array
  rationPool: Int32Array
  rationBelowL: Float64Array
  rationShare: Float64Array

  /**
   * Uses in turn that draw on one pool first are served together while it holds enough for all: rows from
   * blockStart[b] to blockStart[b + 1].
   */
  blocks: number
  blockStart: Int32Array
  /** The pool of a block, or −1 where its uses must be served one by one. */
  blockPool: Int32Array
  blockKeepL: Float64Array

  /** Wells, then mains, with the most each brings a day. */
  supplies: number
  supplyMostL: Float64Array
  supplyOn: Int32Array
  /** How many columns of shares a day has; none where nothing fails. */
  shares: number

  /** What ways bring at most in a day, twelve months a way, and what they hang on. */
  limits: number
  limitMostL: Float64Array
  limitOn: Int32Array

  topUps: number
  topUpKind: Uint8Array
  topUpIndex: Int32Array
  topUpPool: Int32Array
  topUpStartL: Float64Array
  topUpStopL: Float64Array
  topUpMonths: Int32Array
  topUpMostL: Float64Array
  topUpOn: Int32Array
  topUpLimitStart: Int32Array
  topUpLimit: Int32Array
  /** Months in which each pool stands empty, as bits; and whether any does. */
  drainedMonths: Int32Array
  drained: boolean
}

export const [FROM_POOL, FROM_WELL, FROM_MAIN, FROM_CART] = [0, 1, 2, 3] as const
const KINDS = { pool: FROM_POOL, well: FROM_WELL, main: FROM_MAIN, cart: FROM_CART }

/** Where the rows of each entry begin, and past the last where they end. */
const startsOf = <Entry>(entries: readonly Entry[], count: (entry: Entry) => number): Int32Array =>
  Int32Array.from(entries.reduce((rows, entry) => [...rows, rows.at(-1)! + count(entry)], [0]))

/** Lays roofs and chambers out flat. Catches that no tank takes fall away here. */
export function roofColumns(site: Compiled): RoofColumns {
  const caught = site.caught.filter(entry => entry.pool >= 0)
  return {
    pools: site.pools.length,
    caught: caught.length,
    caughtArea: Float64Array.from(caught, entry => entry.areaM2),
    caughtCoefficient: Float64Array.from(caught, entry => entry.runoffCoefficient),
    caughtLossMm: Float64Array.from(caught, entry => entry.wettingLossMm),
    caughtShare: Float64Array.from(caught, entry => entry.captureShare),
    caughtStepMm: Float64Array.from(caught, entry => (entry.spillsAtMmPerH * SPLIT_MINUTES) / 60),
    caughtStart: startsOf(caught, entry => entry.chambers.length),
    caughtChamber: Int32Array.from(caught.flatMap(entry => entry.chambers)),
    caughtPool: Int32Array.from(caught, entry => entry.pool),
    caughtBypass: Int32Array.from(caught, entry => entry.bypassMonths),
    caughtSnow: Float64Array.from(caught, entry => entry.snowShare),
    meanC: site.meanC,
    chambers: site.chambers.length,
    chamberL: Float64Array.from(site.chambers, chamber => chamber.capL),
    chamberHours: Float64Array.from(site.chambers, chamber => chamber.drainHours),
    chamberEvery: Int32Array.from(site.chambers, chamber => chamber.emptiedEveryDays),
  }
}

/** True where a roof, another tank, a well, a main or a cart leads to the pool. */
export function isFilled(site: Compiled, pool: number): boolean {
  return (
    site.caught.some(entry => entry.pool === pool) ||
    site.topUps.some(line => line.pool === pool) ||
    site.spillTo.includes(pool) ||
    site.transfers.some(line => line.to === pool)
  )
}

const linesOf = ({ transfers, passing }: Compiled) => [...transfers, ...passing]

interface Block {
  pool: number
  first: number
}

/**
 * While their first pool holds enough its uses need no other; one that is rationed, or hangs on what can fail, is
 * asked by itself, since what it takes depends on the day.
 */
function blocksOf(demands: Compiled['demands']): Block[] {
  const blocks: Block[] = []
  demands.forEach(({ sources, rations }, use) => {
    const [first] = sources
    const isFree = first?.kind === 'pool' && first.on === NEVER_FAILS && !first.limits.length
    const only = isFree && !rations.length ? first : undefined
    const last = blocks.at(-1)
    if (!only || last?.pool !== only.index) blocks.push({ pool: only?.index ?? -1, first: use })
  })
  return blocks
}

/**
 * Lays compiled sites out flat, a lane each. They must be one site in different sizes: the same pools, lines and
 * uses, with other litres.
 */
export function poolColumns(sites: readonly Compiled[]): PoolColumns {
  const [site] = sites
  if (!site) throw new Error('poolColumns wants at least one site')
  const lanes = sites.length
  /** A figure of each row in each lane. */
  const each = (rows: number, figure: (lane: Compiled, row: number) => number) => {
    const column = new Float64Array(rows * lanes)
    for (let row = 0; row < rows; row++)
      for (let lane = 0; lane < lanes; lane++) column[row * lanes + lane] = figure(sites[lane]!, row)
    return column
  }
  const sources = site.demands.flatMap((demand, use) => demand.sources.map((source, at) => ({ source, use, at })))
  const rations = site.demands.flatMap((demand, use) => demand.rations.map((ration, at) => ({ ration, use, at })))
  const blocks = blocksOf(site.demands)
  const beds = site.demands.flatMap((demand, use) => (demand.bed ? [use] : []))
  const past = (block: number) => blocks[block + 1]?.first ?? site.demands.length
  const lines = linesOf(site)
  /** Mains stand behind the wells in the list of supplies. */
  const supplyRow = ({ kind, index }: { kind: keyof typeof KINDS; index: number }) =>
    kind === 'main' ? site.wells.length + index : index
  return {
    lanes,
    pools: site.pools.length,
    filled: Uint8Array.from(site.pools, (_, pool) => (isFilled(site, pool) ? 1 : 0)),
    capL: each(site.pools.length, (lane, row) => lane.pools[row]!.capL),
    spillOrder: Int32Array.from(site.spillOrder),
    spillTo: Int32Array.from(site.spillTo),
    transfers: lines.length,
    transferFrom: Int32Array.from(lines, line => line.from),
    transferTo: Int32Array.from(lines, line => line.to),
    transferKeepL: each(lines.length, (lane, row) => linesOf(lane)[row]!.keepL),
    transferStopL: each(lines.length, (lane, row) => linesOf(lane)[row]!.stopL),
    transferLimitStart: startsOf(lines, line => line.limits.length),
    transferLimit: Int32Array.from(lines.flatMap(line => line.limits)),
    overflowing: lines.some(line => line.stopL === Infinity),
    uses: site.demands.length,
    askedL: Float64Array.from(site.demands.flatMap(demand => demand.litresPerDay)),
    bedUse: Int32Array.from(beds),
    sourceStart: startsOf(site.demands, demand => demand.sources.length),
    sourceKind: Uint8Array.from(sources, ({ source }) => KINDS[source.kind]),
    sourceIndex: Int32Array.from(sources, ({ source }) => supplyRow(source)),
    sourceKeepL: each(sources.length, (lane, row) => lane.demands[sources[row]!.use]!.sources[sources[row]!.at]!.keepL),
    sourceMonths: Int32Array.from(sources, ({ source }) => source.months),
    sourceOn: Int32Array.from(sources, ({ source }) => source.on),
    sourceShare: Float64Array.from(sources, ({ source }) => source.mostShare),
    sourceLimitStart: startsOf(sources, ({ source }) => source.limits.length),
    sourceLimit: Int32Array.from(sources.flatMap(({ source }) => source.limits)),
    rationStart: startsOf(site.demands, demand => demand.rations.length),
    rationPool: Int32Array.from(rations, ({ ration }) => ration.pool),
    rationShare: Float64Array.from(rations, ({ ration }) => ration.share),
    rationBelowL: each(
      rations.length,
      (lane, row) => lane.demands[rations[row]!.use]!.rations[rations[row]!.at]!.belowL,
    ),
    blocks: blocks.length,
    blockStart: Int32Array.from([...blocks.map(block => block.first), site.demands.length]),
    blockPool: Int32Array.from(blocks, block => block.pool),
    blockKeepL: each(blocks.length, (lane, row) =>
      blocks[row]!.pool < 0
        ? 0
        : Math.max(...lane.demands.slice(blocks[row]!.first, past(row)).map(demand => demand.sources[0]!.keepL)),
    ),
    supplies: site.wells.length + site.mains.length,
    supplyMostL: Float64Array.from([
      ...site.wells.map(well => well.yieldLPerDay),
      ...site.mains.map(main => main.mostLPerDay),
    ]),
    supplyOn: Int32Array.from([...site.wells, ...site.mains], ({ on }) => on),
    shares: site.hangsOn.length,
    limits: site.limits.length,
    limitMostL: Float64Array.from(site.limits.flatMap(({ mostL }) => mostL)),
    limitOn: Int32Array.from(site.limits, ({ on }) => on),
    drainedMonths: Int32Array.from(site.drainedMonths),
    drained: site.drainedMonths.some(months => months > 0),
    topUps: site.topUps.length,
    topUpKind: Uint8Array.from(site.topUps, line => KINDS[line.kind]),
    topUpIndex: Int32Array.from(site.topUps, supplyRow),
    topUpPool: Int32Array.from(site.topUps, line => line.pool),
    topUpStartL: each(site.topUps.length, (lane, row) => lane.topUps[row]!.startL),
    topUpStopL: each(site.topUps.length, (lane, row) => lane.topUps[row]!.stopL),
    topUpMonths: Int32Array.from(site.topUps, line => line.months),
    topUpMostL: Float64Array.from(site.topUps, line => line.mostL),
    topUpOn: Int32Array.from(site.topUps, line => line.on),
    topUpLimitStart: startsOf(site.topUps, line => line.limits.length),
    topUpLimit: Int32Array.from(site.topUps.flatMap(line => line.limits)),
  }
}
