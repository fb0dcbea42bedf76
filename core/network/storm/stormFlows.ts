import { roofLines } from './roofLines'
import { catchLimits } from './catchLimits'
import { stormFlow } from '../../sums'
import { designStorm, type Site } from '../../site'

/**
 * What the design storm brings a tank off its roofs, less what gutters, downpipes and lines spill on the way, L/s.
 * Undefined where no storm is known.
 */
export function stormIntoLps(site: Site, tankId: string): number | undefined {
  const storm = designStorm(site)
  if (!storm) return undefined
  const spouts = roofLines(site)
    .filter(line => line.tankId === tankId)
    .map(line => line.spout.id)
  return catchLimits(site)
    .filter(limit => spouts.includes(limit.spout.id) && limit.areaM2 > 0)
    .reduce(
      (sum, limit) =>
        sum +
        stormFlow({ planAreaM2: limit.areaM2, intensityMmPerH: Math.min(storm.intensityMmPerH, limit.spillsAtMmPerH) })
          .flowLps,
      0,
    )
}

/** Roof area whose water ends in a tank, m². */
export function roofsOfTankM2(site: Site, tankId: string): number {
  const spouts = roofLines(site)
    .filter(line => line.tankId === tankId)
    .map(line => line.spout.id)
  return catchLimits(site)
    .filter(limit => spouts.includes(limit.spout.id))
    .reduce((sum, limit) => sum + limit.areaM2, 0)
}
