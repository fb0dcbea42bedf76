import { poolsOf, type Pool } from './pools'
import { chamberDrainTime } from '../sums'
import {
  captureShare,
  chamberVolumeL,
  lineFrom,
  litresPerDay,
  lossSchool,
  portHeightM,
  roofAreaM2,
  roofLosses,
  type Site,
  endHeightM,
  pathsFrom,
  type Path,
} from '../site'
import { catchLimits } from '../network'
import type { NodeOf, Tank } from '../kinds'

/**
 * A share of a roof: `captureShare` is what guard and screens let through, `spillsAtMmPerH` the rain at which gutter,
 * downpipe or line spill.
 */
export interface Caught {
  roofId: string
  spoutId: string
  areaM2: number
  runoffCoefficient: number
  wettingLossMm: number
  captureShare: number
  spillsAtMmPerH: number
  chamber: number
  pool: number
  bypassMonths: number
}
export interface Chamber {
  id: string
  name: string
  capL: number
  drainHours: number
  emptiedEveryDays: number
}
export interface Transfer {
  from: number
  to: number
  keepL: number
  stopL: number
  mostLPerDay: number
}
export interface UseSource {
  kind: 'pool' | 'well' | 'main'
  index: number
  keepL: number
  months: number
}
/** Below `belowL` in a pool, a use is held to a share of what it asks. */
export interface Ration {
  pool: number
  belowL: number
  share: number
}
export interface Demand {
  id: string
  name: string
  priority: number
  litresPerDay: number[]
  sources: UseSource[]
  rations: Ration[]
}
/**
 * `mostL` is the most a day: of a trickle or a timed batch, or one load of carted water, which `index` does not
 * count.
 */
export interface TopUp {
  kind: 'well' | 'main' | 'cart'
  index: number
  pool: number
  startL: number
  stopL: number
  months: number
  mostL: number
}

/**
 * A site as the daily balance sees it: pools, what runs into them, between them and out of them. Indices point into
 * the lists.
 */
export interface Compiled {
  pools: Pool[]
  /** Order in which pools spill, and where each spills to: another pool's index, or −1 away from the site's tanks. */
  spillOrder: number[]
  spillTo: number[]
  caught: Caught[]
  chambers: Chamber[]
  transfers: Transfer[]
  /** What runs on through a tank on its way to another, within the day; made after the transfers. */
  passing: Transfer[]
  demands: Demand[]
  wells: { id: string; name: string; yieldLPerDay: number }[]
  mains: { id: string; name: string; mostLPerDay: number }[]
  topUps: TopUp[]
}

const AWAY = -1

/** How low a draw-off reaches above its tank’s floor: its own height, or where the stop of its float holds it. */
function drawnDownToM(port: Tank['ports'][number]): number {
  return Math.max(port.heightM, port.floating?.stopM ?? 0)
}

/** Compiles a site. Any document that can be read compiles, however ill-made; lines that lead nowhere carry nothing. */
export function compile(site: Site): Compiled {
  const pools = poolsOf(site)
  const poolOf = new Map(pools.flatMap((pool, index) => pool.tanks.map(tank => [tank.id, index] as const)))
  const nodesOf = <Kind extends 'chamber' | 'well' | 'main'>(kind: Kind) =>
    site.nodes.filter(node => node.kind === kind) as NodeOf<Kind>[]
  const chambers = nodesOf('chamber')
  const wells = nodesOf('well')
  const mains = nodesOf('main')

  const spillTo = pools.map((pool, index) => {
    const { tank, port } = pool.spillsAt
    // A flap that sends the roof to ground once the tank is full leaves nothing to spill on.
    if (!port || shutWhenFull(site, pool)) return AWAY
    const end = pathsFrom(site, tank.id, run => run.from.port === port)
      .map(path => poolOf.get(path.end.id))
      .find(target => target !== undefined)
    return end === undefined || end === index ? AWAY : end
  })
  const spillOrder = cutCycles(spillTo)

  const supplies = pools.flatMap((pool, from) =>
    pool.tanks.flatMap(tank =>
      tank.ports
        .filter(port => port.role !== 'overflow')
        .flatMap(port =>
          pathsFrom(site, tank.id, run => run.from.port === port.name).map(path => ({
            from,
            path,
            outletDeadL: pool.deadBelowL(tank.id, tank.baseM + drawnDownToM(port)),
          })),
        ),
    ),
  )

  const keepL = (from: number, path: Path, outletDeadL: number) =>
    path.pumpLps === undefined ? Math.max(outletDeadL, pools[from]!.volumeAtL(endHeightM(site, path))) : outletDeadL

  const transfers = supplies.flatMap(({ from, path, outletDeadL }): Transfer[] => {
    const to = poolOf.get(path.end.id)
    if (to === undefined || to === from) return []
    const target = pools[to]!
    const stops = path.hasFloat || path.pumpLps !== undefined
    return [
      {
        from,
        to,
        keepL: keepL(from, path, outletDeadL),
        stopL: stops ? Math.min(target.capL, target.volumeAtL(portHeightM(site, path.at))) : Infinity,
        mostLPerDay: path.pumpLps === undefined ? Infinity : path.pumpLps * 86400,
      },
    ]
  })

  /**
   * What stands behind a pool and runs on through it within the day, once the pool itself is drawn down to `keepL`: a
   * small tank behind a float valve gives more than it holds.
   */
  const behind = (pool: number, keepL: number, seen: number[] = [pool]): Transfer[] =>
    transfers
      .filter(line => line.to === pool && !seen.includes(line.from) && line.stopL > keepL + 1)
      .flatMap(line => [line, ...behind(line.from, line.keepL, [...seen, line.from])])
  const passing = transfers.flatMap(line =>
    behind(line.from, line.keepL, [line.from, line.to]).map(({ from, keepL, mostLPerDay }): Transfer => ({
      from,
      to: line.to,
      keepL,
      stopL: line.stopL,
      mostLPerDay: Math.min(line.mostLPerDay, mostLPerDay),
    })),
  )

  const outsideSupplies = [
    ...wells.flatMap((node, index) =>
      pathsFrom(site, node.id).map(path => ({ kind: 'well' as const, node, index, path })),
    ),
    ...mains.flatMap((node, index) =>
      pathsFrom(site, node.id).map(path => ({ kind: 'main' as const, node, index, path })),
    ),
  ]
  const topUps = [
    ...outsideSupplies.flatMap(({ kind, node, index, path }): TopUp[] => {
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
    }),
    ...pools.flatMap((pool, index) =>
      pool.tanks.flatMap((tank): TopUp[] =>
        tank.carted
          ? [
              {
                kind: 'cart',
                index: 0,
                pool: index,
                startL: pool.capL * tank.carted.startShare,
                stopL: pool.capL,
                months: EVERY_MONTH,
                mostL: tank.carted.loadL,
              },
            ]
          : [],
      ),
    ),
  ]

  const drawn = site.uses.map(use => {
    const fromPools = new Map<number, UseSource>()
    for (const { from, path, outletDeadL } of supplies) {
      if (path.end.id !== use.at) continue
      const keep = keepL(from, path, outletDeadL)
      if (keep < (fromPools.get(from)?.keepL ?? Infinity))
        fromPools.set(from, { kind: 'pool', index: from, keepL: keep, months: EVERY_MONTH })
    }
    for (const own of [...fromPools.values()]) {
      for (const { from, keepL } of behind(own.index, own.keepL))
        if (!fromPools.has(from)) fromPools.set(from, { kind: 'pool', index: from, keepL, months: EVERY_MONTH })
    }
    return { use, fromPools, litresPerDay: litresPerDay(site, use) }
  })
  const mostADayL = pools.map((_, index) =>
    drawn
      .filter(({ fromPools }) => fromPools.has(index))
      .reduce((sum, { litresPerDay }) => sum + Math.max(...litresPerDay), 0),
  )
  const demands = drawn
    .map(({ use, fromPools, litresPerDay }): Demand => {
      const direct = outsideSupplies
        .filter(supply => supply.path.end.id === use.at)
        .map(({ kind, index, node }): UseSource => ({ kind, index, keepL: 0, months: monthMask(node.rule.months) }))
      // A main comes at once, while its tank is drawn. A well comes after the day's uses, on the safe side, but where
      // a day can draw the tank dry from above its trigger.
      const through = topUps.flatMap(({ kind, index, pool, startL, months }): UseSource[] => {
        const own = fromPools.get(pool)
        if (
          kind === 'cart' ||
          !own ||
          startL <= own.keepL ||
          direct.some(other => other.kind === kind && other.index === index)
        )
          return []
        return kind === 'main' || startL - own.keepL < mostADayL[pool]! ? [{ kind, index, keepL: 0, months }] : []
      })
      const [drawnFrom] = fromPools.keys()
      const rations =
        drawnFrom === undefined
          ? []
          : (use.rations ?? []).map(({ belowShare, share }): Ration => ({
              pool: drawnFrom,
              belowL: pools[drawnFrom]!.capL * belowShare,
              share,
            }))
      return {
        id: use.id,
        name: use.name,
        priority: use.priority,
        litresPerDay,
        sources: [...fromPools.values(), ...direct, ...through],
        rations,
      }
    })
    .sort((a, b) => a.priority - b.priority)

  return {
    pools,
    spillOrder,
    spillTo,
    transfers,
    passing,
    demands,
    topUps,
    caught: catchesOf(site, chambers, poolOf),
    chambers: chambers.map(chamber => ({
      id: chamber.id,
      name: chamber.name,
      capL: chamberVolumeL(chamber),
      emptiedEveryDays: chamber.emptiedEveryDays ?? 0,
      drainHours: chamber.orificeMm
        ? chamberDrainTime({
            innerDiameterMm: chamber.innerDiameterMm,
            heightM: chamber.heightM,
            orificeMm: Math.min(chamber.orificeMm, chamber.innerDiameterMm),
          }).hours
        : Infinity,
    })),
    wells: wells.map(({ id, name, yieldLPerDay }) => ({ id, name, yieldLPerDay })),
    mains: mains.map(({ id, name, rule }) => ({ id, name, mostLPerDay: rule.mostLPerDay ?? Infinity })),
  }
}

/** True where every roof that feeds a pool is by-passed once it is full. */
function shutWhenFull(site: Site, pool: Pool): boolean {
  const spouts = site.nodes
    .filter(node => node.kind === 'spout')
    .filter(spout => pool.tanks.some(tank => lineFrom(site, spout.id).at(-1)?.to.node === tank.id))
  return spouts.length > 0 && spouts.every(spout => spout.bypassWhenFull)
}

function catchesOf(site: Site, chambers: NodeOf<'chamber'>[], poolOf: Map<string, number>): Caught[] {
  const limits = catchLimits(site)
  return site.roofs.flatMap(roof =>
    roof.spouts.map(({ nodeId, share, gutter }): Caught => {
      const spout = site.nodes.find(node => node.id === nodeId) as NodeOf<'spout'>
      const paths = pathsFrom(site, nodeId)
      const path = paths.find(candidate => poolOf.has(candidate.end.id)) ?? paths[0]
      return {
        roofId: roof.id,
        spoutId: nodeId,
        areaM2: roofAreaM2(roof) * share,
        ...roofLosses(roof, lossSchool(site)),
        captureShare: captureShare(
          gutter,
          lineFrom(site, nodeId).flatMap(run => run.parts),
        ),
        spillsAtMmPerH: limits.find(limit => limit.roof === roof && limit.spout === spout)!.spillsAtMmPerH,
        chamber: path?.chamber ? chambers.findIndex(chamber => chamber.id === path.chamber) : AWAY,
        pool: path ? (poolOf.get(path.end.id) ?? AWAY) : AWAY,
        bypassMonths: monthMask(spout.bypassMonths ?? []),
      }
    }),
  )
}

const EVERY_MONTH = 0xfff
function monthMask(months: number[]): number {
  return months.reduce((mask, month) => mask | (1 << (month - 1)), 0)
}

/**
 * The order in which pools spill, upstream first. A ring of tanks spilling into each other has no first one:
 * the line that would close the ring is taken to run away, so that its water is counted as spilled.
 */
function cutCycles(spillTo: number[]): number[] {
  const order: number[] = []
  const state = new Uint8Array(spillTo.length)
  const visit = (pool: number) => {
    state[pool] = 1
    const next = spillTo[pool]!
    if (next !== AWAY && state[next] === 1) spillTo[pool] = AWAY
    else if (next !== AWAY && state[next] === 0) visit(next)
    state[pool] = 2
    order.unshift(pool)
  }
  for (let pool = 0; pool < spillTo.length; pool++) if (state[pool] === 0) visit(pool)
  return order
}
