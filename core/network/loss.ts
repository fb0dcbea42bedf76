import { FITTING_K } from '../catalog'
import { circleArea, fittingLossM, pipeFriction } from '../sums'
import type { Part, Run } from '../site'

const UNKNOWN_BORE_MM = 104

/** Bore of a run's pipe: what fittings without one of their own are reckoned in. */
export function boreMm(run: Run): number {
  return run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? UNKNOWN_BORE_MM
}

function fittingK(part: Part): number {
  switch (part.kind) {
    case 'pipe': case 'pump': case 'filter': case 'lamp': case 'relief': return 0
    default: return FITTING_K[part.kind]
  }
}

/** Head that a flow costs along a run, its pipes' friction and its fittings together; `k` for what stands at its ends (entry, exit, tees). */
export function runLossM(run: Run, flowLps: number, waterTemperatureC: number, k = 0): number {
  if (flowLps <= 0) return 0
  const bore = boreMm(run)
  return run.parts.reduce((sum, part) => {
    if (part.kind === 'pipe') return sum + pipeFriction({ flowLps, innerDiameterMm: part.innerDiameterMm, lengthM: part.lengthM, roughnessMm: Math.min(part.roughnessMm, part.innerDiameterMm / 10), waterTemperatureC: Math.max(0.01, waterTemperatureC) }).headLossM
    const own = 'boreMm' in part ? part.boreMm : part.kind === 'flexible' ? part.innerDiameterMm : bore
    return sum + fittingLossM(flowLps, own, fittingK(part))
  }, fittingLossM(flowLps, bore, k))
}

/** Velocity heads that the fittings of a run cost, each in its own bore. */
export function fittingsK(run: Run): number {
  return run.parts.reduce((sum, part) => sum + fittingK(part), 0)
}

/** Length of pipe and hose in a run. */
export function pipeLengthM(run: Run): number {
  return run.parts.reduce((sum, part) => part.kind === 'pipe' || part.kind === 'flexible' ? sum + part.lengthM : sum, 0)
}

/** Litres that the pipes of a run hold when they are full. */
export function runVolumeL(run: Run): number {
  return run.parts.reduce((sum, part) => part.kind === 'pipe' || part.kind === 'flexible' ? sum + circleArea(part.innerDiameterMm / 1000) * part.lengthM * 1000 : sum, 0)
}
