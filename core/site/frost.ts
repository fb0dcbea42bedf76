import { min, sum } from 'd3-array'
import type { Site } from './schema'
import { frostMonths, weatherMonths } from './weather'
import { rimM } from './tanks'
import { frostDepth, type FrostDepthInput } from '../sums'
import type { SiteNode } from '../kinds'
import { FIXTURES } from '../catalog'

/** Days of each month, January first. */
const DAYS_OF_MONTH = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/** Months whose mean is below freezing, 1 for January: standing water freezes through. */
export function coldMonths(site: Pick<Site, 'climate' | 'place'>): number[] {
  const months = weatherMonths(site)
  return frostMonths(site).filter(month => months[month - 1]!.tMinC + months[month - 1]!.tMaxC < 0)
}

/** The input of `frost-depth` for a place, from the means of its months. */
export function frostDepthInput(site: Pick<Site, 'climate' | 'place'>): FrostDepthInput {
  const months = weatherMonths(site)
  const degreeDaysC = sum(
    months,
    ({ tMinC, tMaxC }, month) => Math.max(0, -(tMinC + tMaxC) / 2) * DAYS_OF_MONTH[month]!,
  )
  return { degreeDaysC, coldestNightC: min(months, ({ tMinC }) => tMinC)! }
}

/** How deep the frost goes, m: as somebody typed it, else by how cold the months are. */
export const frostDepthM = (site: Pick<Site, 'climate' | 'place'>): number =>
  site.place.frostDepthM ?? frostDepth(frostDepthInput(site)).depthM

/** Temperatures that were guessed from the latitude alone: what is found of frost is a guess too. */
export const isWarmthGuessed = ({ climate }: Pick<Site, 'climate'>): boolean =>
  climate.assumed?.includes('temperatures') ?? false

/** True where the frost reaches what stands there: not in a house, and not deeper than it goes. */
export function isExposed(site: Pick<Site, 'climate' | 'place'>, node: SiteNode): boolean {
  if (node.kind === 'tap') return FIXTURES[node.fixture].outside
  if (node.kind === 'tank')
    return !node.frostProof && node.base !== 'buried' && above(rimM(node), node.groundM, frostDepthM(site))
  // A well's head is lagged or sunk by whoever drills it; a main comes in below the frost.
  if (node.kind === 'well' || node.kind === 'main' || node.kind === 'pressureTank') return false
  return above(node.baseM, node.groundM, frostDepthM(site))
}

const above = (heightM: number, groundM: number, frostM: number) => heightM > groundM - frostM
