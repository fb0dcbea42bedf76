import { sum } from 'd3-array'
import { bedAsks, bedOf } from './beds'
import { behind, type Supply } from './compileLines'
import { type Demand, EVERY_MONTH, monthMask, type Ration, type TopUp, type Transfer, type UseSource } from './compiled'
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
}

export function outsideSuppliesOf(site: Site, wells: NodeOf<'well'>[], mains: NodeOf<'main'>[]): OutsideSupply[] {
  const ways = (kind: 'well' | 'main', nodes: OutsideSupply['node'][]) =>
    nodes.flatMap((node, index) => pathsFrom(site, node.id).map((path): OutsideSupply => ({ kind, node, index, path })))
  return [...ways('well', wells), ...ways('main', mains)]
}

/** What tops pools up from outside: wells and mains by their rules, carts by the load. */
export function topUpsOf(pools: Pool[], poolOf: ReadonlyMap<string, number>, outside: OutsideSupply[]): TopUp[] {
  const piped = outside.flatMap(({ kind, node, index, path }): TopUp[] => {
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
        mostL: node.rule.mostLPerDay ?? Infinity,
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
            },
          ]
        : [],
    ),
  )
  return [...piped, ...carted]
}

/** The pools that a use draws from, each down to what it must leave there, and those that stand behind them. */
function poolsFor(use: Use, supplies: Supply[], transfers: Transfer[]): Map<number, UseSource> {
  const sources = new Map<number, UseSource>()
  for (const { from, path, keepL } of supplies) {
    if (path.end.id !== use.at || keepL >= (sources.get(from)?.keepL ?? Infinity)) continue
    sources.set(from, { kind: 'pool', index: from, keepL, months: EVERY_MONTH })
  }
  for (const own of [...sources.values()])
    for (const { from, keepL } of behind(transfers, own.index, own.keepL))
      if (!sources.has(from)) sources.set(from, { kind: 'pool', index: from, keepL, months: EVERY_MONTH })
  return sources
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
  supplies: Supply[],
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
    sum(drawn, ({ fromPools }, use) => (fromPools.has(pool) ? largestL(use) : 0)),
  )
  return drawn
    .map(({ use, bed, fromPools, litresPerDay }): Demand => {
      const direct = outside
        .filter(supply => supply.path.end.id === use.at)
        .map(({ kind, index, node }): UseSource => ({ kind, index, keepL: 0, months: monthMask(node.rule.months) }))
      // A main comes at once, while its tank is drawn. A well comes after the day's uses, on the safe side, but where
      // a day can draw the tank dry from above its trigger.
      const through = topUps.flatMap(({ kind, index, pool, startL, months }): UseSource[] => {
        const own = fromPools.get(pool)
        if (kind === 'cart' || !own || startL <= own.keepL) return []
        if (direct.some(other => other.kind === kind && other.index === index)) return []
        return kind === 'main' || startL - own.keepL < mostADayL(pool) ? [{ kind, index, keepL: 0, months }] : []
      })
      const [first] = fromPools.keys()
      return {
        id: use.id,
        name: use.name,
        priority: use.priority,
        litresPerDay,
        ...(bed ? { bed } : {}),
        sources: [...fromPools.values(), ...direct, ...through],
        rations: first === undefined ? [] : rationsOf(use, first, pools[first]!.capL),
      }
    })
    .sort((a, b) => a.priority - b.priority)
}

const rationsOf = (use: Use, pool: number, capL: number): Ration[] =>
  (use.rations ?? []).map(({ belowShare, share }) => ({ pool, belowL: capL * belowShare, share }))
