import { suckingOf, suctionInput } from './steady/sucking'
import { levelsAt } from './taps'
import { runLossM } from './loss'
import { suctionLift } from '../sums'
import { graphOf, type Run, type Site } from '../site'
import type { PartOf } from '../kinds'
import { FITTING_K } from '../catalog'

/** How a pump that stands outside its water draws it in. */
export interface Suction {
  run: Run
  pump: PartOf<'pump'>
  flowLps: number
  /** Heights above the datum: of the pump, and of the water at its lowest. */
  pumpM: number
  waterM: number
  frictionM: number
  npshRequiredM: number
  maxLiftM: number
  /** What is left of that: below nothing, it sucks air or boils. */
  spareM: number
  /** It stands above its water, so that it must be primed, and a foot valve keeps its line full. */
  lifts: boolean
  footValve: boolean
}

/** Depth to a well's water at the end of a dry season, while so much is drawn, m below its ground. */
export function pumpingDepthM(
  well: { stillWaterDepthM: number; dryFallM?: number; specificCapacityLpsPerM?: number },
  flowLps: number,
): number {
  const { stillWaterDepthM, dryFallM = 0, specificCapacityLpsPerM } = well
  return stillWaterDepthM + dryFallM + (specificCapacityLpsPerM ? flowLps / specificCapacityLpsPerM : 0)
}

/** The suction of a pump at a flow, with its water at the lowest; none where it stands in its water or behind a main. */
export function suctionOf(site: Site, run: Run, pump: PartOf<'pump'>, flowLps: number): Suction | undefined {
  const sucking = suckingOf(site, run, pump)
  const source = graphOf(site).node(run.from.node)
  if (!sucking || (source?.kind !== 'tank' && source?.kind !== 'well')) return undefined
  const { pumpM, npshRequiredM } = sucking
  const waterM =
    source.kind === 'well'
      ? source.groundM - pumpingDepthM(source, flowLps)
      : source.baseM + levelsAt(site, 'low')[source.id]!
  const before = { ...run, parts: sucking.before }
  const { waterTemperatureC, altitudeM } = site.place
  const frictionM = runLossM(before, flowLps, waterTemperatureC, FITTING_K.entry)
  const { maxLiftM } = suctionLift(suctionInput(altitudeM, waterTemperatureC, npshRequiredM, frictionM))
  const liftM = pumpM - waterM
  return {
    run,
    pump,
    flowLps,
    pumpM,
    waterM,
    frictionM,
    npshRequiredM,
    maxLiftM,
    spareM: maxLiftM - liftM,
    lifts: liftM > 0.05,
    footValve: before.parts.some(part => part.kind === 'check'),
  }
}
