import type { Site } from './schema'
import { frostMonths, weatherMonths } from './weather'
import { rimM } from './tanks'
import type { SiteNode } from '../kinds'
import { FIXTURES } from '../catalog'

/** Months whose mean is below freezing, 1 for January: standing water freezes through. */
export function coldMonths(site: Pick<Site, 'climate' | 'place'>): number[] {
  const months = weatherMonths(site)
  return frostMonths(site).filter(month => months[month - 1]!.tMinC + months[month - 1]!.tMaxC < 0)
}

/** True where the frost reaches what stands there: not in a house, and not deeper than it goes. */
export function isExposed({ place }: Pick<Site, 'place'>, node: SiteNode): boolean {
  if (node.kind === 'tap') return FIXTURES[node.fixture].outside
  if (node.kind === 'tank') return !node.frostProof && node.base !== 'buried' && above(rimM(node), node.groundM, place)
  // A well's head is lagged or sunk by whoever drills it; a main comes in below the frost.
  if (node.kind === 'well' || node.kind === 'main' || node.kind === 'pressureTank') return false
  return above(node.baseM, node.groundM, place)
}

const above = (heightM: number, groundM: number, { frostDepthM }: Site['place']) => heightM > groundM - frostDepthM
