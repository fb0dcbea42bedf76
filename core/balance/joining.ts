import type { Pool } from './pools'
import type { Compiled } from './compiled'
import {
  gravityFlow,
  levelTogether,
  tankHeight,
  tankVolume,
  type GravityFlowInput,
  type LevelTogetherInput,
} from '../sums'
import { isOpenBothWays, portHeightM, type Run, type Site, atOneLevel } from '../site'
import { boreMm, fittingsK, pipeLengthM, stormIntoLps } from '../network'
import type { Tank } from '../kinds'
import { FITTING_K } from '../catalog'

/** A link between two tanks of a group as a storm and a quiet hour find it. */
export interface LinkReading {
  run: Run
  a: Tank
  b: Tank
  boreMm: number
  /** Heights at which it works: from the higher of its two ends up to where the group spills. */
  sillM: number
  /** What it passes while one side is full and the other half so. */
  flow: GravityFlowInput
  passesLps: number
  /**
   * What the design storm brings to one side, and the part of it that must go through for both to rise together;
   * undefined without a storm.
   */
  stormLps: number | undefined
  wantedLps: number | undefined
  /**
   * Minutes until both stand within a hand's breadth of a centimetre, from one full and the other half so; worked out
   * when they are asked for.
   */
  level: LevelTogetherInput
  minutes: () => number
}

const planM2 = (tank: Tank) =>
  tankVolume({ ...tank.shape, levelM: tankHeight(tank.shape) }).volumeL / 1000 / tankHeight(tank.shape)
const heldL = (tank: Tank, heightM: number) =>
  tankVolume({ ...tank.shape, levelM: Math.max(0, Math.min(tankHeight(tank.shape), heightM - tank.baseM)) }).volumeL

/** Every open link between two tanks of a group. */
export function linksOf(site: Site, pools: Pool[]): LinkReading[] {
  const groups = new Map(pools.flatMap(pool => pool.tanks.map(tank => [tank.id, { tank, pool }] as const)))
  return site.runs.flatMap((run): LinkReading[] => {
    const [one, other] = [groups.get(run.from.node), groups.get(run.to.node)]
    if (!one || one.pool !== other?.pool || !isOpenBothWays(run)) return []
    const { tank: a, pool } = one
    const b = other.tank
    const sillM = Math.max(portHeightM(site, run.from), portHeightM(site, run.to))
    const headM = Math.round((Math.max(0, pool.capM - sillM) / 2) * 1000) / 1000
    const bore = boreMm(run)
    const shape = {
      lengthM: Math.max(0.1, pipeLengthM(run)),
      innerDiameterMm: bore,
      kTotal: Math.round((FITTING_K.entry + FITTING_K.exit + fittingsK(run)) * 100) / 100,
    }
    const flow = { headM, ...shape }
    const level = { planAreaAM2: planM2(a), planAreaBM2: planM2(b), levelDifferenceM: headM, ...shape }
    const passesLps = gravityFlow(flow).flowLps
    const sides = sidesOf(site, pool, run)
    const [stormLps, wantedLps] = sides ? wanted(site, pool, sides) : [undefined, undefined]
    return [
      {
        run,
        a,
        b,
        boreMm: bore,
        sillM,
        flow,
        passesLps,
        stormLps,
        wantedLps,
        level,
        minutes: () => levelTogether(level).minutes,
      },
    ]
  })
}

/** The tanks on either side of a link; undefined where another way round joins them. */
function sidesOf(site: Site, pool: Pool, link: Run): [Tank[], Tank[]] | undefined {
  const side = atOneLevel(site, link.from.node, link)
  if (side.has(link.to.node)) return undefined
  return [pool.tanks.filter(tank => side.has(tank.id)), pool.tanks.filter(tank => !side.has(tank.id))]
}

/**
 * The harder way through: of the water that comes to one side, the share that belongs to the other, by what each
 * holds.
 */
function wanted(site: Site, pool: Pool, [left, right]: [Tank[], Tank[]]): [number | undefined, number | undefined] {
  const into = (tanks: Tank[]) =>
    tanks.reduce<number | undefined>((sum, tank) => {
      const flow = stormIntoLps(site, tank.id)
      return sum === undefined || flow === undefined ? undefined : sum + flow
    }, 0)
  const holds = (tanks: Tank[]) => tanks.reduce((sum, tank) => sum + heldL(tank, pool.capM), 0)
  const [fromLeft, fromRight] = [into(left), into(right)]
  if (fromLeft === undefined || fromRight === undefined || pool.capL <= 0) return [undefined, undefined]
  const [through, back] = [(fromLeft * holds(right)) / pool.capL, (fromRight * holds(left)) / pool.capL]
  return through >= back ? [fromLeft, through] : [fromRight, back]
}

/**
 * Litres that run out when a full tank's wall opens at its floor, the valves as they stand: its own, what its group
 * can follow with, and what fills the
 * group through lines that nothing shuts.
 */
export function lostIfBurstL(compiled: Compiled, poolIndex: number, tank: Tank): { ownL: number; lostL: number } {
  const pool = compiled.pools[poolIndex]!
  const ownL = heldL(tank, pool.capM)
  const followed = new Set([poolIndex])
  let lostL = pool.capL - pool.deadBelowL(tank.id, tank.baseM)
  for (const to of followed) {
    for (const line of compiled.transfers) {
      if (line.to !== to || followed.has(line.from) || line.pumped) continue
      followed.add(line.from)
      lostL += Math.max(0, compiled.pools[line.from]!.capL - line.keepL)
    }
  }
  return { ownL, lostL: Math.max(ownL, lostL) }
}

/** Litres that the uses can draw from full tanks, all groups together. */
export function usableL(compiled: Compiled): number {
  return compiled.pools.reduce((sum, pool, index) => sum + Math.max(0, pool.capL - keptBackL(compiled, index)), 0)
}

/** Litres of a group that no use and no other tank can draw; all of it where none is led anywhere. */
export function keptBackL(compiled: Compiled, pool: number): number {
  const keeps = [
    ...compiled.demands.flatMap(demand =>
      demand.sources.filter(source => source.kind === 'pool' && source.index === pool).map(source => source.keepL),
    ),
    ...compiled.transfers.filter(transfer => transfer.from === pool).map(transfer => transfer.keepL),
  ]
  return keeps.length ? Math.min(...keeps) : compiled.pools[pool]!.capL
}
