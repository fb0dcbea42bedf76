import type { Compiled } from './compiled'
import {
  drainDownTime,
  openingFlow,
  soakaway,
  tankHeight,
  tankVolume,
  type DrainDownInput,
  type OpeningFlowInput,
  type SoakawayInput,
} from '../sums'
import { portHeightM, portsByRole, rimM, runsFrom, type Site, nameOf } from '../site'
import { lineFlowLps, roofsOfTankM2, stormIntoLps } from '../network'
import type { NodeOf, Port, Tank } from '../kinds'
import { fiveYearDayMm, SPLIT_MINUTES, weatherSeries } from '../climate'
import { SOILS } from '../catalog'

/**
 * The overflow of a group: what it can pass before the tank runs over, and what the design storm brings once
 * everything above it is full.
 */
export interface SpillWay {
  tank: Tank
  port: Port
  flow: OpeningFlowInput
  /** What its mouth passes, what its line does under the height up to the rim, and the lesser of the two. */
  openingLps: number
  lineLps: number
  passesLps: number
  stormLps: number | undefined
  /** Roofs whose water comes out here when all is full. */
  areaM2: number
  outfall: NodeOf<'outfall'> | undefined
}

/** The way a full group spills; undefined where it runs over its rim. */
export function spillWay(site: Site, compiled: Compiled, poolIndex: number): SpillWay | undefined {
  const pool = compiled.pools[poolIndex]!
  const { tank, port: name, path } = pool.spillsAt
  const port = tank.ports.find(candidate => candidate.name === name)
  if (!port || !path) return undefined
  const depthMm = Math.round(Math.max(0, rimM(tank) - tank.baseM - port.heightM) * 1000)
  const flow = { innerDiameterMm: port.boreMm, depthMm }
  const above = poolsAbove(compiled, poolIndex)
  const tanks = above.flatMap(index => compiled.pools[index]!.tanks)
  const flows = tanks.map(member => stormIntoLps(site, member.id))
  const openingLps = openingFlow(flow).flowLps
  const lineLps = path.pumpLps ?? lineFlowLps(site, path.runs, rimM(tank))
  return {
    tank,
    port,
    flow,
    openingLps,
    lineLps,
    passesLps: Math.min(openingLps, lineLps),
    outfall: path.end.kind === 'outfall' ? path.end : undefined,
    stormLps: flows.some(each => each === undefined) ? undefined : flows.reduce<number>((sum, each) => sum + each!, 0),
    areaM2: tanks.reduce((sum, member) => sum + roofsOfTankM2(site, member.id), 0),
  }
}

/** A group and all that spill into it. */
function poolsAbove({ spillTo }: Compiled, pool: number): number[] {
  const found = [pool]
  for (const here of found)
    spillTo.forEach((to, from) => {
      if (to === here && !found.includes(from)) found.push(from)
    })
  return found
}

export interface Soaking {
  input: SoakawayInput
  hours: number
  pitM3: number
  hasM3: number
  halfEmptyHours: number
}

const HOURS = [0.25, 0.5, 1, 2, 3, 6]

/**
 * A soakaway against the storm that comes back once in five years, of whichever length asks for the largest pit.
 * Water leaves through the walls to half their
 * depth; the floor silts up and does not count. Undefined where there is no pit, no soil or no rain.
 */
export function soakingOf(site: Site, outfall: NodeOf<'outfall'>, areaM2: number): Soaking | undefined {
  const { pit, soil } = outfall
  const { split, rainMm } = weatherSeries(site)
  if (!pit || !soil || !split || areaM2 <= 0) return undefined
  const dayMm = fiveYearDayMm(rainMm)
  const shares = [...split].reduce<number[]>((sums, share) => [...sums, (sums.at(-1) ?? 0) + share], [])
  const wettedAreaM2 = ((pit.lengthM + pit.widthM) * 2 * pit.depthM) / 2
  const storms = HOURS.map(stormHours => {
    const stormMm = Math.round(dayMm * (shares[Math.round((stormHours * 60) / SPLIT_MINUTES) - 1] ?? 1) * 10) / 10
    const input = {
      planAreaM2: areaM2,
      stormMm,
      stormHours,
      infiltrationMPerS: SOILS[soil].infiltrationMPerS,
      wettedAreaM2,
      voidShare: Math.max(0.05, pit.voidShare),
    }
    return { input, hours: stormHours, ...soakaway(input) }
  })
  const worst = storms.reduce((most, storm) => (storm.pitM3 > most.pitM3 ? storm : most))
  const hasM3 = pit.lengthM * pit.widthM * pit.depthM
  // A full pit, not the storm alone, is what must half-empty within a day.
  return {
    input: worst.input,
    hours: worst.hours,
    pitM3: worst.pitM3,
    hasM3,
    halfEmptyHours: (hasM3 * pit.voidShare) / 2 / (wettedAreaM2 * SOILS[soil].infiltrationMPerS * 3600),
  }
}

export interface Emptying {
  port: Port
  input: DrainDownInput
  minutes: number
  litres: number
  /** The end of a line that falls from there; empty where it runs out at the tank's foot. */
  leadsTo: string
  /** Its lowest fitting lies in the ground with no line that falls away: it cannot run out, it must be pumped. */
  belowGroundM?: number
}

/** How long a full tank runs out through its drain, or its lowest outlet, and where to. */
export function emptyingOf(site: Site, tank: Tank, fullM: number): Emptying | undefined {
  const port = (['drain', 'outlet', 'fire', 'link'] as const)
    .flatMap(role => portsByRole(tank, role))
    .sort((a, b) => a.heightM - b.heightM)[0]
  if (!port) return undefined
  const fromLevelM = Math.round(Math.max(0, fullM - tank.baseM - port.heightM) * 1000) / 1000
  const volumeL = (levelM: number) =>
    tankVolume({ ...tank.shape, levelM: Math.max(0, Math.min(tankHeight(tank.shape), levelM)) }).volumeL
  const litres = volumeL(fullM - tank.baseM) - volumeL(port.heightM)
  if (fromLevelM <= 0 || litres <= 0) return undefined
  const input = { planAreaM2: Math.round(litres / fromLevelM) / 1000, fromLevelM, toLevelM: 0, orificeMm: port.boreMm }
  const portM = tank.baseM + port.heightM
  const falls = runsFrom(site, tank.id, port.name).find(
    run => port.role !== 'link' && !run.parts.some(part => part.kind === 'pump') && portHeightM(site, run.to) < portM,
  )
  const belowGroundM = tank.groundM - portM
  return {
    port,
    input,
    minutes: drainDownTime(input).minutes,
    litres,
    leadsTo: falls ? nameOf(site, falls.to.node) : '',
    ...(!falls && belowGroundM > 0.05 ? { belowGroundM } : {}),
  }
}
