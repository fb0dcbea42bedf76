import { roofLines } from './roofLines'
import { downpipeFlow, stormFlow } from '../../sums'
import {
  designStorm,
  gutterFlowLps,
  nodeById,
  remembered,
  roofAreaM2,
  spoutAreaM2,
  type Roof,
  type Site,
} from '../../site'
import type { NodeOf } from '../../kinds'

/** What stands between a share of a roof and its tank in a storm. */
export interface CatchLimit {
  roof: Roof
  spout: NodeOf<'spout'>
  areaM2: number
  /** Rain at which each starts to spill, mm/h; infinite where it is not known. */
  gutterMmPerH: number
  downpipeMmPerH: number
  lineMmPerH: number
  spillsAtMmPerH: number
  first: 'gutter' | 'downpipe' | 'line' | undefined
  /** What the gutter carries and the design storm brings to it; undefined where either is not known. */
  gutterLps: number | undefined
  stormLps: number | undefined
}

const MM_H_PER_LPS_M2 = 3600
const LIMITS_OF = ['nodes', 'runs', 'roofs', 'climate', 'place'] as const

/**
 * For every share of a roof that a spout takes: the rain at which its gutter, its downpipe and its line each spill,
 * and which does first.
 */
export const catchLimits = remembered(LIMITS_OF, (site: Site): CatchLimit[] => {
  const lineOf = new Map(roofLines(site).map(line => [line.spout.id, line]))
  const storm = designStorm(site)
  return site.roofs.flatMap(roof =>
    roof.spouts.map(({ nodeId, share, gutter }): CatchLimit => {
      const spout = nodeById(site, nodeId) as NodeOf<'spout'>
      const areaM2 = roofAreaM2(roof) * share
      const gutterLps = gutter && gutterFlowLps(gutter)
      const gutterMmPerH = gutterLps !== undefined && areaM2 > 0 ? (gutterLps / areaM2) * MM_H_PER_LPS_M2 : Infinity
      const wholeM2 = spoutAreaM2(site, nodeId)
      const downpipeMmPerH =
        wholeM2 > 0 ? (downpipeFlow({ innerDiameterMm: spout.boreMm }).flowLps / wholeM2) * MM_H_PER_LPS_M2 : Infinity
      const line = lineOf.get(nodeId)
      const lineMmPerH = line && wholeM2 > 0 ? line.passesMmPerH : Infinity
      const spillsAtMmPerH = Math.min(gutterMmPerH, downpipeMmPerH, lineMmPerH)
      return {
        roof,
        spout,
        areaM2,
        gutterMmPerH,
        downpipeMmPerH,
        lineMmPerH,
        spillsAtMmPerH,
        gutterLps,
        first:
          spillsAtMmPerH === Infinity
            ? undefined
            : spillsAtMmPerH === gutterMmPerH
              ? 'gutter'
              : spillsAtMmPerH === downpipeMmPerH
                ? 'downpipe'
                : 'line',
        stormLps:
          storm && areaM2 > 0
            ? stormFlow({ planAreaM2: areaM2, intensityMmPerH: storm.intensityMmPerH }).flowLps
            : undefined,
      }
    }),
  )
})
