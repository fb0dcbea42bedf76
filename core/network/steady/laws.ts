import { circleArea, frictionOf, frictionSlope, GRAVITY, waterDensity, waterViscosity } from '../../sums'

/** Head that is lost at a flow, m, and how fast that grows with it, m per L/s. */
export interface Loss {
  headM: number
  slope: number
}

/** What one thing in a line takes: it adds its loss to `loss`, so that nothing is made while a network is solved. */
export type Law = (flowLps: number, loss: Loss) => void

/** Metres a flow loses at k = 1 in a bore, per (L/s)². */
export const perVelocityHead = (boreMm: number): number => 1 / (2 * GRAVITY * (1000 * circleArea(boreMm / 1000)) ** 2)

interface Stretch {
  lengthM: number
  innerDiameterMm: number
  roughnessMm: number
}

/** A pipe that runs full (Darcy–Weisbach, as the sum `pipe-friction`), what depends on its size worked out once. */
export function pipeLaw({ lengthM, innerDiameterMm, roughnessMm }: Stretch, waterTemperatureC: number): Law {
  const diameterM = innerDiameterMm / 1000
  const temperatureC = Math.max(0.01, waterTemperatureC)
  const kinematic = waterViscosity(temperatureC) / waterDensity(temperatureC)
  const reynoldsPerLps = diameterM / (1000 * circleArea(diameterM)) / kinematic
  const relative = Math.min(0.1, roughnessMm / innerDiameterMm)
  const perFactor = (lengthM / diameterM) * perVelocityHead(innerDiameterMm)
  const creepingSlope = (64 * perFactor) / reynoldsPerLps
  return (flowLps, loss) => {
    const reynolds = reynoldsPerLps * Math.abs(flowLps)
    if (reynolds <= 2000) {
      loss.headM += creepingSlope * flowLps
      loss.slope += creepingSlope
      return
    }
    const factor = frictionOf(reynolds, relative)
    const size = perFactor * Math.abs(flowLps)
    loss.headM += size * factor * flowLps
    loss.slope += size * (2 * factor + reynolds * frictionSlope(reynolds, relative, factor))
  }
}

/** A loss that grows with the square of the flow, of one size each way. */
export function squareLaw(forward: number, backward = forward): Law {
  return (flowLps, loss) => {
    const size = flowLps < 0 ? backward : forward
    loss.headM += size * flowLps * Math.abs(flowLps)
    loss.slope += 2 * size * Math.abs(flowLps)
  }
}

/** A loss that grows as the flow, such as a well’s drawdown. */
export function evenLaw(slope: number): Law {
  return (flowLps, loss) => {
    loss.headM += slope * flowLps
    loss.slope += slope
  }
}

/** So steep that what it lets through is next to nothing: a wall that a solution can still be sought against. */
export const WALL = 1e9
