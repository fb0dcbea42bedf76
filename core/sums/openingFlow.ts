import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'
import { GRAVITY } from './constants'

export interface OpeningFlowInput {
  innerDiameterMm: number
  depthMm: number
  dischargeCoefficient?: number
}

const SLICES = 400

/**
 * What a round opening in a wall passes with water standing `depthMm` above its invert: a weir at first, an orifice
 * once drowned.
 */
export function openingFlow({ innerDiameterMm, depthMm, dischargeCoefficient = 0.6 }: OpeningFlowInput): {
  flowLps: number
} {
  const diameterM = innerDiameterMm / 1000
  const depthM = depthMm / 1000
  const topM = Math.min(depthM, diameterM)
  if (topM === 0) return { flowLps: 0 }
  // The substitution z = top·(1 − cos θ)/2 takes the roots of b(z) and √(h − z) out of the integrand's ends, so that
  // Simpson's rule is exact to many digits.
  let sum = 0
  for (let slice = 0; slice <= SLICES; slice++) {
    const angle = (Math.PI * slice) / SLICES
    const z = (topM * (1 - Math.cos(angle))) / 2
    const width = 2 * Math.sqrt(Math.max(0, z * (diameterM - z)))
    const weight = slice === 0 || slice === SLICES ? 1 : slice % 2 ? 4 : 2
    sum += (weight * width * Math.sqrt(Math.max(0, depthM - z)) * Math.sin(angle) * topM) / 2
  }
  const integral = (sum * Math.PI) / SLICES / 3
  return { flowLps: dischargeCoefficient * Math.sqrt(2 * GRAVITY) * integral * 1000 }
}

export const openingFlowSum = defineSum({
  name: 'opening-flow',
  purpose: 'Flow through a round opening in a tank’s wall',
  formula: 'Q = Cd √(2g) ∫ b(z) √(h − z) dz, z from 0 to min(h, D)',
  source: 'weir and orifice theory in one integral',
  input: z.strictObject({
    innerDiameterMm: positive(5000),
    depthMm: atLeastZero(20000),
    dischargeCoefficient: within(0.1, 1).default(0.6),
  }),
  output: output('flowLps'),
  examples: [{ innerDiameterMm: 104, depthMm: 80 }],
  solve(input) {
    const result = openingFlow(input)
    const topMm = Math.min(input.depthMm, input.innerDiameterMm)
    return {
      result,
      working: [
        {
          symbol: 'z',
          expression: `from 0 to min(${digits(input.depthMm)}, ${digits(input.innerDiameterMm)})`,
          value: topMm,
          unit: 'mm',
        },
        {
          symbol: 'Q',
          expression: `${digits(input.dischargeCoefficient)} × √(2 × 9.80665) × ∫ b(z) √(h − z) dz × 1000`,
          value: result.flowLps,
          unit: 'L/s',
        },
      ],
    }
  },
})
