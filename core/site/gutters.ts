import { designStorm } from './weather'
import type { Gutter, Site } from './schema'
import { spoutAreaM2 } from './roofs'
import { downpipeFlow, gutterHalfRound, gutterSloped, stormFlow } from '../sums'
import { DOWNPIPE_BORES_MM, GUTTER_SIZES, SECTION_SHARE, USUAL_STORM_MM_PER_H } from '../catalog'

/**
 * The worked sum behind what a gutter carries: level half-round, or a box laid to a fall; another profile counts as
 * the box of its depth and section.
 */
export function gutterSum(gutter: Pick<Gutter, 'profile' | 'widthMm' | 'depthMm' | 'slope'>): {
  name: 'gutter-half-round' | 'gutter-sloped'
  input: Record<string, number>
  flowLps: number
} {
  const { profile, widthMm, depthMm, slope } = gutter
  if (profile === 'half-round')
    return { name: 'gutter-half-round', input: { widthMm }, ...gutterHalfRound({ widthMm }) }
  // A box that nobody laid to a fall still drains as if by the least that a level can be held to.
  const input = { widthMm: Math.round(widthMm * SECTION_SHARE[profile]), depthMm, slope: Math.max(LEAST_SLOPE, slope) }
  return { name: 'gutter-sloped', input, ...gutterSloped(input) }
}
const LEAST_SLOPE = 0.0005

/** What the gutter of a spout carries to it: with the outlet in the middle, water comes from both sides. */
export function gutterFlowLps(gutter: Gutter): number {
  return gutterSum(gutter).flowLps * (gutter.outletAt === 'middle' ? 2 : 1)
}

/**
 * Flow that the design storm sends to a spout off a plan area; where no storm is known, by the one that gutters are
 * commonly sized for.
 */
export function stormLps(site: Site, planAreaM2: number): number {
  return stormFlow({ planAreaM2, intensityMmPerH: designStorm(site)?.intensityMmPerH ?? USUAL_STORM_MM_PER_H }).flowLps
}

/** The smallest gutter on the shelf that carries a flow; where none does, the largest. */
export function gutterFor(flowLps: number, like?: Gutter): Gutter {
  const given = { outletAt: 'end' as const, guard: 'none' as const, below: 'unknown' as const, ...like }
  const sizes = GUTTER_SIZES.map(size => ({ ...given, ...size }))
  return sizes.find(size => gutterFlowLps(size) >= flowLps) ?? sizes.at(-1)!
}

/** The smallest downpipe on the shelf, from 65 mm, that passes a flow a third full; where none does, the largest. */
export function downpipeFor(flowLps: number): number {
  return (
    DOWNPIPE_BORES_MM.find(
      innerDiameterMm => innerDiameterMm > 65 && downpipeFlow({ innerDiameterMm }).flowLps >= flowLps,
    ) ?? DOWNPIPE_BORES_MM.at(-1)!
  )
}

/** The flow of the design storm at a spout, all its roofs together. */
export function spoutStormLps(site: Site, spoutId: string): number {
  return stormLps(site, spoutAreaM2(site, spoutId))
}
