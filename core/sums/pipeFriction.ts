import { z } from 'zod'
import { waterViscosity } from './waterViscosity'
import { waterDensity } from './waterDensity'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'
import { GRAVITY, USUAL_WATER_C } from './constants'
import { circleArea } from './circleArea'

export interface PipeFrictionInput {
  flowLps: number
  innerDiameterMm: number
  lengthM: number
  roughnessMm?: number
  waterTemperatureC?: number
}
export interface PipeFriction {
  headLossM: number
  velocityMps: number
  reynolds: number
  frictionFactor: number
}

const [LAMINAR, TURBULENT] = [2000, 4000]

/** Mean velocity in a full round pipe. */
export function pipeVelocityMps(flowLps: number, innerDiameterMm: number): number {
  return flowLps / 1000 / circleArea(innerDiameterMm / 1000)
}

/** Head that a straight, full, round pipe costs a flow. */
export function pipeFriction({
  flowLps,
  innerDiameterMm,
  lengthM,
  roughnessMm = 0.0015,
  waterTemperatureC = USUAL_WATER_C,
}: PipeFrictionInput): PipeFriction {
  if (flowLps === 0) return { headLossM: 0, velocityMps: 0, reynolds: 0, frictionFactor: 0 }
  const diameterM = innerDiameterMm / 1000
  const velocityMps = pipeVelocityMps(flowLps, innerDiameterMm)
  const reynolds = (waterDensity(waterTemperatureC) * velocityMps * diameterM) / waterViscosity(waterTemperatureC)
  const frictionFactor = frictionOf(reynolds, roughnessMm / innerDiameterMm)
  return {
    headLossM: (((frictionFactor * lengthM) / diameterM) * velocityMps ** 2) / (2 * GRAVITY),
    velocityMps,
    reynolds,
    frictionFactor,
  }
}

/** 64/Re in laminar flow, Colebrook–White in turbulent flow, a straight line between the two where flow is neither. */
export function frictionOf(reynolds: number, relativeRoughness: number): number {
  if (reynolds <= LAMINAR) return 64 / reynolds
  if (reynolds >= TURBULENT) return colebrook(reynolds, relativeRoughness)
  const [low, high] = [64 / LAMINAR, colebrook(TURBULENT, relativeRoughness)]
  return low + ((high - low) * (reynolds - LAMINAR)) / (TURBULENT - LAMINAR)
}

/** How fast the friction factor falls with the Reynolds number, at a factor that `frictionOf` gave. */
export function frictionSlope(reynolds: number, relativeRoughness: number, factor: number): number {
  if (reynolds <= LAMINAR) return -factor / reynolds
  if (reynolds < TURBULENT) {
    const low = 64 / LAMINAR
    return (factor - low) / Math.max(1e-9, reynolds - LAMINAR)
  }
  const [b, root] = [2.51 / reynolds, 1 / Math.sqrt(factor)]
  const perInside = 2 / (Math.LN10 * (relativeRoughness / 3.7 + b * root))
  // Differentiating 1/√f + 2 log₁₀(k/3.7d + 2.51/(Re √f)) = 0.
  const rootSlope = (perInside * b * root) / reynolds / (1 + perInside * b)
  return -2 * factor * Math.sqrt(factor) * rootSlope
}

/** Solved for 1/√f by Newton's method; the function is nearly straight, so a few steps settle it to rounding. */
function colebrook(reynolds: number, relativeRoughness: number): number {
  const [a, b] = [relativeRoughness / 3.7, 2.51 / reynolds]
  let root = -1.8 * Math.log10(a ** 1.11 + 6.9 / reynolds)
  for (let step = 0; step < 8; step++) {
    const inside = a + b * root
    const change = (root + 2 * Math.log10(inside)) / (1 + (2 * b) / (inside * Math.LN10))
    root -= change
    if (Math.abs(change) < 1e-14) break
  }
  return 1 / root ** 2
}

export const pipeFrictionSum = defineSum({
  name: 'pipe-friction',
  purpose: 'Head that a pipe costs a flow',
  formula: 'h = f · L/d · v² / 2g;  f = 64/Re below 2000, Colebrook–White from 4000, linear between',
  source: 'Darcy–Weisbach; Colebrook (1939)',
  input: z
    .strictObject({
      flowLps: atLeastZero(1e5),
      innerDiameterMm: positive(5000),
      lengthM: positive(1e6),
      roughnessMm: within(0, 10).default(0.0015),
      waterTemperatureC: within(0, 60).default(USUAL_WATER_C),
    })
    .refine(input => (input.roughnessMm ?? 0) <= 0.1 * input.innerDiameterMm, {
      path: ['roughnessMm'],
      message: 'must be at most a tenth of innerDiameterMm',
    }),
  output: output('headLossM', 'velocityMps', 'reynolds', 'frictionFactor'),
  examples: [{ flowLps: 0.3, innerDiameterMm: 26, lengthM: 20 }],
  solve(input) {
    const result = pipeFriction(input)
    const diameterM = input.innerDiameterMm / 1000
    return {
      result,
      working: [
        {
          symbol: 'v',
          expression: `${digits(input.flowLps / 1000)} / (π × ${digits(diameterM)}² / 4)`,
          value: result.velocityMps,
          unit: 'm/s',
        },
        {
          symbol: 'Re',
          expression: `ρ v d / μ at ${digits(input.waterTemperatureC ?? USUAL_WATER_C)} °C`,
          value: result.reynolds,
          unit: '',
        },
        {
          symbol: 'f',
          expression:
            result.reynolds <= LAMINAR
              ? `64 / ${digits(result.reynolds)}`
              : `Colebrook–White, k/d = ${digits((input.roughnessMm ?? 0) / input.innerDiameterMm)}`,
          value: result.frictionFactor,
          unit: '',
        },
        {
          symbol: 'h',
          expression:
            `${digits(result.frictionFactor)} × ${digits(input.lengthM)} / ${digits(diameterM)} × ` +
            `${digits(result.velocityMps)}² / (2 × 9.80665)`,
          value: result.headLossM,
          unit: 'm',
        },
      ],
    }
  },
})
