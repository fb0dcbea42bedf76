import { demandsOf, outsideSuppliesOf, topUpsOf } from './compileDemands'
import { cutCycles, passingOf, spillRings, spillsOf, suppliesOf, transfersOf } from './compileLines'
import { catchesOf, chambersOf } from './compileRoofs'
import { limitsOf } from './compileLimits'
import { hangingOf } from './compileOutages'
import { monthMask, NEVER_FAILS, type Compiled } from './compiled'
import { poolsOf } from './pools'
import { monthWarmth, type Site } from '../site'
import type { NodeOf } from '../kinds'
import { weatherSeries, type DailySeries } from '../climate'

/**
 * Compiles a site. Any document that can be read compiles, however ill-made; lines that lead nowhere carry nothing.
 * The weather says only how much a bed's largest day asks, and is not asked where that does not matter.
 */
export function compile(site: Site, weather: () => DailySeries = () => weatherSeries(site)): Compiled {
  const pools = poolsOf(site)
  const poolOf = new Map(pools.flatMap((pool, index) => pool.tanks.map(tank => [tank.id, index] as const)))
  const nodesOf = <Kind extends 'chamber' | 'well' | 'main'>(kind: Kind) =>
    site.nodes.filter(node => node.kind === kind) as NodeOf<Kind>[]
  const hanging = hangingOf(site)
  const [chambers, wells, mains] = [nodesOf('chamber'), nodesOf('well'), nodesOf('main')]

  const spillTo = spillsOf(site, pools, poolOf)
  const rings = spillRings(spillTo)
  const spillOrder = cutCycles(spillTo)
  const supplies = suppliesOf(site, pools, hanging)
  const limits = limitsOf(site)
  const transfers = transfersOf(site, pools, poolOf, supplies, limits)
  const outside = outsideSuppliesOf(site, hanging, wells, mains)
  const onOf = (kind: 'well' | 'main', index: number) =>
    outside.find(supply => supply.kind === kind && supply.index === index)?.on ?? NEVER_FAILS
  const topUps = topUpsOf(site, pools, poolOf, outside, limits)
  return {
    meanC: monthWarmth(site).meanC,
    pools,
    drainedMonths: pools.map(({ tanks }) => monthMask(tanks.flatMap(tank => tank.drainedMonths ?? []))),
    spillOrder,
    spillTo,
    spillRings: rings,
    caught: catchesOf(site, chambers, poolOf),
    chambers: chambersOf(chambers),
    transfers,
    passing: passingOf(transfers),
    demands: demandsOf(site, weather, { pools, supplies, transfers, outside, topUps, limits, hanging }),
    limits: limits.rows,
    wells: wells.map(({ id, name, yieldLPerDay }, index) => ({ id, name, yieldLPerDay, on: onOf('well', index) })),
    mains: mains.map(({ id, name, rule: { mostLPerDay = Infinity } }, index) => ({
      id,
      name,
      mostLPerDay,
      on: onOf('main', index),
    })),
    topUps,
    outages: hanging.outages,
    hangsOn: hanging.hangsOn,
  }
}
