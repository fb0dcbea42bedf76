import { SPLIT_MINUTES } from '../climate'
import type { Compiled } from './compile'

/** A compiled site laid out flat, as the daily loop reads it: one typed array a column, one row a pool, line or use. */
export interface Engine {
  pools: number
  capL: Float64Array
  spillOrder: Int32Array
  spillTo: Int32Array

  caught: number
  caughtArea: Float64Array
  caughtCoefficient: Float64Array
  caughtLossMm: Float64Array
  /** Share that guard and screens let through, and the most runoff that gutter, downpipe and line pass in one step of a storm, mm. */
  caughtShare: Float64Array
  caughtStepMm: Float64Array
  caughtChamber: Int32Array
  caughtPool: Int32Array
  caughtBypass: Int32Array

  chambers: number
  chamberL: Float64Array
  chamberHours: Float64Array
  chamberEvery: Int32Array

  transfers: number
  transferFrom: Int32Array
  transferTo: Int32Array
  transferKeepL: Float64Array
  transferStopL: Float64Array
  transferMostL: Float64Array
  /** True where a transfer can fill its pool past the spill point. */
  overflowing: boolean

  uses: number
  /** Litres a day, twelve a use. */
  askedL: Float64Array
  /** Sources of use u are the rows from sourceStart[u] to sourceStart[u + 1]. */
  sourceStart: Int32Array
  sourceKind: Uint8Array
  sourceIndex: Int32Array
  sourceKeepL: Float64Array
  sourceMonths: Int32Array

  /** Uses in turn that draw on one pool alone are served together while it holds enough for all: rows from blockStart[b] to blockStart[b + 1]. */
  blocks: number
  blockStart: Int32Array
  /** The pool of a block, or −1 where its uses must be served one by one. */
  blockPool: Int32Array
  blockKeepL: Float64Array
  blockAskedL: Float64Array

  wells: number
  wellYieldL: Float64Array

  topUps: number
  topUpFromWell: Uint8Array
  topUpIndex: Int32Array
  topUpPool: Int32Array
  topUpStartL: Float64Array
  topUpStopL: Float64Array
  topUpMonths: Int32Array
}

export const [FROM_POOL, FROM_WELL, FROM_MAIN] = [0, 1, 2] as const
const KINDS = { pool: FROM_POOL, well: FROM_WELL, main: FROM_MAIN }

interface Block { pool: number, keepL: number, first: number, askedL: number[] }

function blocksOf(demands: Compiled['demands']): Block[] {
  const blocks: Block[] = []
  demands.forEach(({ sources, litresPerDay }, use) => {
    const only = sources.length === 1 && sources[0]!.kind === 'pool' ? sources[0]! : undefined
    const last = blocks.at(-1)
    if (only && last?.pool === only.index) {
      last.keepL = Math.max(last.keepL, only.keepL)
      last.askedL = last.askedL.map((litres, month) => litres + litresPerDay[month]!)
    }
    else blocks.push({ pool: only?.index ?? -1, keepL: only?.keepL ?? 0, first: use, askedL: litresPerDay })
  })
  return blocks
}

/** Lays a compiled site out flat. Catches that no tank takes and months that no rule names fall away here. */
export function engineOf(site: Compiled): Engine {
  const caught = site.caught.filter(entry => entry.pool >= 0)
  const sources = site.demands.flatMap(demand => demand.sources)
  const blocks = blocksOf(site.demands)
  const starts = [0]
  for (const demand of site.demands) starts.push(starts.at(-1)! + demand.sources.length)
  return {
    pools: site.pools.length, capL: Float64Array.from(site.pools, pool => pool.capL), spillOrder: Int32Array.from(site.spillOrder), spillTo: Int32Array.from(site.spillTo),
    caught: caught.length, caughtArea: Float64Array.from(caught, entry => entry.areaM2), caughtCoefficient: Float64Array.from(caught, entry => entry.runoffCoefficient),
    caughtLossMm: Float64Array.from(caught, entry => entry.wettingLossMm), caughtShare: Float64Array.from(caught, entry => entry.captureShare), caughtStepMm: Float64Array.from(caught, entry => entry.spillsAtMmPerH * SPLIT_MINUTES / 60),
    caughtChamber: Int32Array.from(caught, entry => entry.chamber), caughtPool: Int32Array.from(caught, entry => entry.pool), caughtBypass: Int32Array.from(caught, entry => entry.bypassMonths),
    chambers: site.chambers.length, chamberL: Float64Array.from(site.chambers, chamber => chamber.capL), chamberHours: Float64Array.from(site.chambers, chamber => chamber.drainHours), chamberEvery: Int32Array.from(site.chambers, chamber => chamber.emptiedEveryDays),
    transfers: site.transfers.length, transferFrom: Int32Array.from(site.transfers, line => line.from), transferTo: Int32Array.from(site.transfers, line => line.to),
    transferKeepL: Float64Array.from(site.transfers, line => line.keepL), transferStopL: Float64Array.from(site.transfers, line => line.stopL), transferMostL: Float64Array.from(site.transfers, line => line.mostLPerDay),
    overflowing: site.transfers.some(line => line.stopL === Infinity),
    uses: site.demands.length, askedL: Float64Array.from(site.demands.flatMap(demand => demand.litresPerDay)), sourceStart: Int32Array.from(starts),
    sourceKind: Uint8Array.from(sources, source => KINDS[source.kind]), sourceIndex: Int32Array.from(sources, source => source.index), sourceKeepL: Float64Array.from(sources, source => source.keepL), sourceMonths: Int32Array.from(sources, source => source.months),
    blocks: blocks.length, blockStart: Int32Array.from([...blocks.map(block => block.first), site.demands.length]), blockPool: Int32Array.from(blocks, block => block.pool),
    blockKeepL: Float64Array.from(blocks, block => block.keepL), blockAskedL: Float64Array.from(blocks.flatMap(block => block.askedL)),
    wells: site.wells.length, wellYieldL: Float64Array.from(site.wells, well => well.yieldLPerDay),
    topUps: site.topUps.length, topUpFromWell: Uint8Array.from(site.topUps, line => Number(line.kind === 'well')), topUpIndex: Int32Array.from(site.topUps, line => line.index), topUpPool: Int32Array.from(site.topUps, line => line.pool),
    topUpStartL: Float64Array.from(site.topUps, line => line.startL), topUpStopL: Float64Array.from(site.topUps, line => line.stopL), topUpMonths: Int32Array.from(site.topUps, line => line.months),
  }
}
