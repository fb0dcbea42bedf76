import { weatherMonths } from './weather'
import type { Roof, Site } from './schema'
import { spoutAreaM2 } from './roofs'
import { spoutsAbove } from './lines'
import { circleArea } from '../sums'
import type { NodeOf } from '../kinds'
import { DIRTINESS, FLUSH_SCHOOLS, LONG_DRY_DAYS, type FlushSchoolId } from '../catalog'

export function chamberVolumeL(chamber: NodeOf<'chamber'>): number {
  return circleArea(chamber.innerDiameterMm / 1000) * chamber.heightM * 1000
}

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
