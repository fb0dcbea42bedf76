import { sum } from 'd3-array'
import { bedAsks, bedOf } from './beds'
import { behind, type DrawPath } from './compileLines'
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
import { deliveredLps } from '../network'
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

/** What the line from a source passes in a day, as its pump, its pressure and its pipe let it. */
function lineLPerDay(site: Site, { runs }: Path): number {
  const flowLps = deliveredLps(site, runs)
  return flowLps === undefined ? Infinity : flowLps * 86400
}

/** What tops pools up from outside: wells and mains by their rules, carts by the load. */
export function topUpsOf(
  site: Site,
  pools: Pool[],
  poolOf: ReadonlyMap<string, number>,
  outside: OutsideSupply[],
): TopUp[] {
  const piped = outside.flatMap(({ kind, node, index, path, on }): TopUp[] => {
    const pool = poolOf.get(path.end.id)
    if (pool === undefined) return []
    const { capL } = pools[pool]!
    const startL = capL * node.rule.startShare
    return [
      {
        kind,
        index,
        pool,
        startL,
        stopL: Math.max(startL, capL * node.rule.stopShare),
        months: monthMask(node.rule.months),
        mostL: Math.min(node.rule.mostLPerDay ?? Infinity, lineLPerDay(site, path)),
        on,
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
            },
          ]
        : [],
    ),
  )
  return [...piped, ...carted]
}

const fromPool = (index: number, keepL: number, on = NEVER_FAILS): UseSource => ({
  kind: 'pool',
  index,
  keepL,
  months: EVERY_MONTH,
  on,
  mostShare: 1,
})

/**
 * The pools that a use draws from, each down to what it must leave there; where that hangs on the power, what runs
 * without it comes after; and those that stand behind them.
 */
function poolsFor(use: Use, supplies: DrawPath[], transfers: Transfer[]): UseSource[] {
  const own = supplies.filter(({ path }) => path.end.id === use.at)
  const lowest = (lines: DrawPath[]) => lines.reduce((low, line) => (line.keepL < low.keepL ? line : low))
  const sources = [...new Set(own.map(({ from }) => from))].flatMap(pool => {
    const lines = own.filter(({ from }) => from === pool)
    const first = lowest(lines)
    const always = lines.filter(({ on }) => on === NEVER_FAILS)
    return [
      fromPool(pool, first.keepL, first.on),
      ...(first.on !== NEVER_FAILS && always.length ? [fromPool(pool, lowest(always).keepL)] : []),
    ]
  })
  for (const each of [...sources])
    for (const { from, keepL, on } of behind(transfers, each.index, each.keepL))
      if (!sources.some(source => source.index === from)) sources.push(fromPool(from, keepL, Math.max(on, each.on)))
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

/** What each use asks a day, and from where it is served in which order; by priority. */
export function demandsOf(
  site: Site,
  weather: () => DailySeries,
  pools: Pool[],
  supplies: DrawPath[],
  transfers: Transfer[],
  outside: OutsideSupply[],
  topUps: TopUp[],
): Demand[] {
  const drawn = site.uses.map(use => {
    const bed = bedOf(site, use.amount)
    return {
      use,
      bed,
      fromPools: poolsFor(use, supplies, transfers),
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
        .map(({ kind, index, node, on }): UseSource => ({
          kind,
          index,
          keepL: 0,
          months: monthMask(node.rule.months),
          on,
          mostShare: 1,
        }))
      // A main comes at once, while its tank is drawn. A well comes after the day's uses, on the safe side, but where
      // a day can draw the tank dry from above its trigger.
      const through = topUps.flatMap(({ kind, index, pool, startL, months, on }): UseSource[] => {
        const own = fromPools.find(source => source.index === pool)
        if (kind === 'cart' || !own || startL <= own.keepL) return []
        if (direct.some(other => other.kind === kind && other.index === index)) return []
        return kind === 'main' || startL - own.keepL < mostADayL(pool)
          ? [{ kind, index, keepL: 0, months, on, mostShare: 1 }]
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
