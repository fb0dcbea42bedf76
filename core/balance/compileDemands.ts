import { sum } from 'd3-array'
import { bedAsks, bedOf } from './beds'
import { brings, mostBroughtL, type Limits } from './compileLimits'
import { behind, fillsToL, type DrawPath } from './compileLines'
import { type Hanging, POWER } from './compileOutages'
import {
  type Demand,
  EVERY_MONTH,
  monthMask,
  NEVER_FAILS,
  type Ration,
  type TopUp,
  type Transfer,
  type UseSource,
} from './compiled'
import type { Pool } from './pools'
import { litresPerDay, type Path, pathsFrom, type Site, type Use } from '../site'
import type { NodeOf } from '../kinds'
import type { DailySeries } from '../climate'

/** A way that a well's or a main's water goes. */
export interface OutsideSupply {
  kind: 'well' | 'main'
  node: NodeOf<'well'> | NodeOf<'main'>
  index: number
  path: Path
  on: number
}

export function outsideSuppliesOf(
  site: Site,
  hanging: Hanging,
  wells: NodeOf<'well'>[],
  mains: NodeOf<'main'>[],
): OutsideSupply[] {
  const ways = (kind: 'well' | 'main', nodes: OutsideSupply['node'][]) =>
    nodes.flatMap((node, index) =>
      pathsFrom(site, node.id).map((path): OutsideSupply => {
        const on = path.pumpLps === undefined ? hanging.on(node.id) : hanging.on(node.id, POWER)
        return { kind, node, index, path, on }
      }),
    )
  return [...ways('well', wells), ...ways('main', mains)]
}

/** What tops pools up from outside: wells and mains by their rules, carts by the load. */
export function topUpsOf(
  site: Site,
  pools: Pool[],
  poolOf: ReadonlyMap<string, number>,
  outside: OutsideSupply[],
  limits: Limits,
): TopUp[] {
  const piped = outside.flatMap(({ kind, node, index, path, on }): TopUp[] => {
    const pool = poolOf.get(path.end.id)
    if (pool === undefined) return []
    const { capL } = pools[pool]!
    const held = limits.of(path, node.id, on, node.rule.mostLPerDay)
    if (!brings(limits, held)) return []
    // A float that hangs lower than its rule says has the last word.
    const fullL = fillsToL(site, path, pools[pool]!, path.hasFloat)
    const startL = Math.min(fullL, capL * node.rule.startShare)
    return [
      {
        kind,
        index,
        pool,
        startL,
        stopL: Math.min(fullL, Math.max(startL, capL * node.rule.stopShare)),
        months: monthMask(node.rule.months),
        mostL: mostBroughtL(limits, held),
        on,
        limits: held,
      },
    ]
  })
  const carted = pools.flatMap(({ tanks, capL }, pool) =>
    tanks.flatMap(({ carted }): TopUp[] =>
      carted
        ? [
            {
              kind: 'cart',
              index: 0,
              pool,
              startL: capL * carted.startShare,
              stopL: capL,
              months: EVERY_MONTH,
              mostL: carted.loadL,
              on: NEVER_FAILS,
              limits: [],
            },
          ]
        : [],
    ),
  )
  return [...piped, ...carted]
}

const fromPool = (index: number, keepL: number, limits: number[], on = NEVER_FAILS): UseSource => ({
  kind: 'pool',
  index,
  keepL,
  months: EVERY_MONTH,
  on,
  mostShare: 1,
  limits,
})

/**
 * The pools that a use draws from, each down to what it must leave there; where that hangs on the power, what runs
 * without it comes after; and those that stand behind them.
 */
function poolsFor(use: Use, supplies: DrawPath[], transfers: Transfer[], limits: Limits): UseSource[] {
  const own = supplies
    .filter(({ path }) => path.end.id === use.at)
    .map(line => ({ ...line, held: limits.of(line.path, line.tankId, line.on) }))
    // What no water comes along serves nobody.
    .filter(({ held }) => brings(limits, held))
  const lowest = (lines: typeof own) => lines.reduce((low, line) => (line.keepL < low.keepL ? line : low))
  const sources = [...new Set(own.map(({ from }) => from))].flatMap(pool => {
    const lines = own.filter(({ from }) => from === pool)
    const first = lowest(lines)
    const always = lines.filter(({ on }) => on === NEVER_FAILS)
    const steady = always.length ? lowest(always) : undefined
    return [
      fromPool(pool, first.keepL, first.held, first.on),
      ...(first.on !== NEVER_FAILS && steady ? [fromPool(pool, steady.keepL, steady.held)] : []),
    ]
  })
  for (const each of [...sources])
    for (const { from, keepL, limits: along } of behind(transfers, each.index, each.keepL))
      if (!sources.some(source => source.index === from))
        sources.push(fromPool(from, keepL, [...each.limits, ...along], each.on))
  return sources
}

/** Where a use is served from, in order: tanks before what comes from outside, the other way round, or both alike. */
function inOrder(
  servedBy: Use['servedBy'],
  tanks: UseSource[],
  direct: UseSource[],
  through: UseSource[],
): UseSource[] {
  const half = direct.map(source => ({ ...source, mostShare: 1 / 2 / direct.length }))
  if (servedBy === 'outside') return [...direct, ...tanks, ...through]
  if (servedBy === 'both' && tanks.length) return [...half, ...tanks, ...half, ...through]
  return [...tanks, ...direct, ...through]
}

/** Works a figure out when it is first asked for, and keeps it. */
function lazily(work: (index: number) => number): (index: number) => number {
  const known = new Map<number, number>()
  return index => {
    if (!known.has(index)) known.set(index, work(index))
    return known.get(index)!
  }
}

const NO_MONTHS = Array<number>(12).fill(0)

/** What a site's ways are, as its uses ask. */
interface Ways {
  pools: Pool[]
  supplies: DrawPath[]
  transfers: Transfer[]
  outside: OutsideSupply[]
  topUps: TopUp[]
  limits: Limits
  hanging: Hanging
}

/** What each use asks a day, and from where it is served in which order; by priority. */
export function demandsOf(
  site: Site,
  weather: () => DailySeries,
  { pools, supplies, transfers, outside, topUps, limits, hanging }: Ways,
): Demand[] {
  const drawn = site.uses.map(use => {
    const bed = bedOf(site, use.amount)
    return {
      use,
      bed,
      fromPools: poolsFor(use, supplies, transfers, limits),
      litresPerDay: bed ? NO_MONTHS : litresPerDay(site, use),
    }
  })
  const largestL = lazily((use: number) => {
    const { bed, litresPerDay } = drawn[use]!
    return bed ? bedAsks(bed, weather()).mostL : Math.max(...litresPerDay)
  })
  /** The most that a day can draw from a pool; asked only where a well tops it up. */
  const mostADayL = lazily((pool: number) =>
    sum(drawn, ({ fromPools }, use) => (fromPools.some(source => source.index === pool) ? largestL(use) : 0)),
  )
  return drawn
    .map(({ use, bed, fromPools, litresPerDay }): Demand => {
      const direct = outside
        .filter(supply => supply.path.end.id === use.at)
        .map(({ kind, index, node, path, on }): UseSource => ({
          kind,
          index,
          keepL: 0,
          months: monthMask(node.rule.months),
          on,
          mostShare: 1,
          limits: limits.of(path, node.id, on, node.rule.mostLPerDay),
        }))
        .filter(source => brings(limits, source.limits))
      // A main comes at once, while its tank is drawn. A well comes after the day's uses, on the safe side, but where
      // a day can draw the tank dry from above its trigger.
      // It comes by its own line and on by the tap's, and hangs on what both hang on.
      const through = topUps.flatMap(({ kind, index, pool, startL, months, ...line }): UseSource[] => {
        const own = fromPools.find(source => source.index === pool)
        if (kind === 'cart' || !own || startL <= own.keepL) return []
        if (direct.some(other => other.kind === kind && other.index === index)) return []
        const held = [...line.limits, ...own.limits]
        if (!brings(limits, held)) return []
        return kind === 'main' || startL - own.keepL < mostADayL(pool)
          ? [{ kind, index, keepL: 0, months, on: hanging.both(line.on, own.on), mostShare: 1, limits: held }]
          : []
      })
      const first = fromPools[0]?.index
      return {
        id: use.id,
        name: use.name,
        priority: use.priority,
        litresPerDay,
        ...(bed ? { bed } : {}),
        sources: inOrder(use.servedBy, fromPools, direct, through),
        rations: first === undefined ? [] : rationsOf(use, first, pools[first]!.capL),
      }
    })
    .sort((a, b) => a.priority - b.priority)
}

const rationsOf = (use: Use, pool: number, capL: number): Ration[] =>
  (use.rations ?? []).map(({ belowShare, share }) => ({ pool, belowL: capL * belowShare, share }))
