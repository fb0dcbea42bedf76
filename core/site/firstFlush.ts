import { weatherMonths } from './weather'
import type { Roof, Site } from './schema'
import { spoutAreaM2 } from './roofs'
import { spoutsAbove } from './lines'
import { circleArea, GRAVITY, type ChamberDrainInput } from '../sums'
import type { NodeOf } from '../kinds'
import { DIRTINESS, FLUSH_SCHOOLS, LONG_DRY_DAYS, type FlushSchoolId } from '../catalog'

type Chamber = Pick<NodeOf<'chamber'>, 'form' | 'innerDiameterMm' | 'heightM' | 'lengthM'>

export function chamberVolumeL({ form, innerDiameterMm, heightM, lengthM }: Chamber): number {
  return circleArea(innerDiameterMm / 1000) * (form === 'lying' ? (lengthM ?? heightM) : heightM) * 1000
}

/**
 * A chamber as `chamber-drain-time` takes it: one that stands, as it is; a pipe laid down, as the upright one of its
 * volume that is as tall as its bore.
 */
export function chamberDrainInput(chamber: Chamber, orificeMm: number): ChamberDrainInput {
  const { form, heightM } = chamber
  const innerDiameterMm =
    form === 'lying'
      ? Math.round(Math.sqrt(((chamberVolumeL(chamber) / 1000 / heightM) * 4) / Math.PI) * 10000) / 10
      : chamber.innerDiameterMm
  return { innerDiameterMm, heightM, orificeMm: Math.min(orificeMm, chamber.innerDiameterMm) }
}

const DISCHARGE = 0.62
/** What an outlet passes while its chamber is full, L/h, and the hole that passes so much: Torricelli. */
export const trickleLph = ({ heightM, orificeMm }: { heightM: number; orificeMm: number }): number =>
  DISCHARGE * circleArea(orificeMm / 1000) * Math.sqrt(2 * GRAVITY * heightM) * 3.6e6
export const orificeForTrickleMm = (heightM: number, lph: number): number =>
  Math.sqrt(((lph / 3.6e6 / DISCHARGE / Math.sqrt(2 * GRAVITY * heightM)) * 4) / Math.PI) * 1000

/** Plan area whose first rain a chamber keeps. */
export function chamberAreaM2(site: Site, chamberId: string): number {
  return [...spoutsAbove(site, chamberId)].reduce((sum, spout) => sum + spoutAreaM2(site, spout.id), 0)
}

/** The school of first flush that a roof's dirt and the length of dry spells ask for. */
export function flushSchoolFor(roofs: Roof[], longestDryDays: number): FlushSchoolId {
  const level =
    Math.max(0, ...roofs.map(roof => DIRTINESS[roof.dirtiness ?? 'some'].level)) +
    (longestDryDays >= LONG_DRY_DAYS ? 1 : 0)
  return level === 0 ? 'light' : level === 1 ? 'middle' : 'heavy'
}
/**
 * The depth that a chamber is meant to keep: the person's own wish, else by the dirt of its roofs where that is
 * known.
 */
export function wantedFlushMm(wantedMm: number | undefined, roofs: Roof[]): number | undefined {
  return wantedMm ?? (roofs.some(roof => roof.dirtiness) ? FLUSH_SCHOOLS[flushSchoolFor(roofs, 0)].depthMm : undefined)
}

/** Most of a year's water that a chamber's outlet should let run away while it rains. */
export const OUTLET_WASTE_MOST = 0.05
/** An outlet that empties its chamber within a day lets about half the chamber run away on every wet day. */
const OUTLET_SHARE_A_WET_DAY = 0.5

/**
 * The depth to begin with: the middle school, or the light one where wet days are so small that the outlet would
 * waste too much of them.
 */
export function usualFlushMm(site: Site): number {
  const months = weatherMonths(site)
  const [rainMm, wetDays] = (['rainMm', 'wetDays'] as const).map(field =>
    months.reduce((sum, month) => sum + month[field], 0),
  ) as [number, number]
  const { light, middle } = FLUSH_SCHOOLS
  return wetDays > 0 && OUTLET_SHARE_A_WET_DAY * middle.depthMm > (OUTLET_WASTE_MOST * rainMm) / wetDays
    ? light.depthMm
    : middle.depthMm
}
