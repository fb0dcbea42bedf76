import { sum } from 'd3-array'
import { circleArea, fittingLossM, flowAtHead, pipeFriction } from '../sums'
import { portHeightM, type Run, type Site } from '../site'
import { FITTING_K } from '../catalog'
import { boreOfPart, does, kOf, lengthOfPart } from '../kinds'

const UNKNOWN_BORE_MM = 104

/** Water that stands in a run's pipes and hoses, L. */
export const runHoldsL = ({ parts }: Pick<Run, 'parts'>): number =>
  sum(parts, part =>
    part.kind === 'pipe' || part.kind === 'flexible'
      ? circleArea(part.innerDiameterMm / 1000) * lengthOfPart(part) * 1000
      : 0,
  )

/** Bore of a run's first pipe, else of its first part that has one: what fittings without one are reckoned in. */
export function boreMm(run: Run): number {
  const pipe = run.parts.find(part => part.kind === 'pipe')
  if (pipe) return pipe.innerDiameterMm
  for (const part of run.parts) {
    const own = boreOfPart(part)
    if (own !== undefined) return own
  }
  return UNKNOWN_BORE_MM
}

/**
 * Head that a flow costs along a run, its pipes' friction and its fittings together; `k` for what stands at its ends
 * (entry, exit, tees).
 */
export function runLossM(run: Run, flowLps: number, waterTemperatureC: number, k = 0): number {
  if (flowLps <= 0) return 0
  const bore = boreMm(run)
  return run.parts.reduce(
    (sum, part) => {
      if (part.kind === 'pipe')
        return (
          sum +
          pipeFriction({
            flowLps,
            innerDiameterMm: part.innerDiameterMm,
            lengthM: part.lengthM,
            roughnessMm: Math.min(part.roughnessMm, part.innerDiameterMm / 10),
            waterTemperatureC: Math.max(0.01, waterTemperatureC),
          }).headLossM
        )
      return sum + fittingLossM(flowLps, boreOfPart(part) ?? bore, kOf(part))
    },
    fittingLossM(flowLps, bore, k),
  )
}

/** Velocity heads that the fittings of a run cost, each in its own bore. */
export function fittingsK(run: Run): number {
  return run.parts.reduce((sum, part) => sum + kOf(part), 0)
}

/** Length of pipe and hose in a run, m. */
export function pipeLengthM(run: Run): number {
  return run.parts.reduce((sum, part) => sum + lengthOfPart(part), 0)
}

/** Litres that the pipes of a run hold when they are full. */
export function runVolumeL(run: Run): number {
  return run.parts
    .filter(part => does(part, 'carries'))
    .reduce((sum, part) => sum + circleArea(boreOfPart(part)! / 1000) * lengthOfPart(part) * 1000, 0)
}

/**
 * What a line of runs passes by gravity, L/s, with water standing at a height before its beginning: friction and
 * fittings take all the height down to its end, or to a higher place on the way, whichever lets less through.
 */
export function lineFlowLps(site: Site, runs: readonly Run[], waterM: number): number {
  const { waterTemperatureC } = site.place
  const upTo = (last: number) => {
    const part = runs.slice(0, last + 1)
    const lossM = (flowLps: number) =>
      part.reduce(
        (sum, run, index) =>
          sum +
          runLossM(
            run,
            flowLps,
            waterTemperatureC,
            (index === 0 ? FITTING_K.entry : 0) + (index === runs.length - 1 ? FITTING_K.exit : 0),
          ),
        0,
      )
    return flowAtHead(waterM - portHeightM(site, part.at(-1)!.to), lossM)
  }
  return Math.min(...runs.map((_, index) => upTo(index)))
}
