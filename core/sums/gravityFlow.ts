import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'
import { pipeFriction, pipeVelocityMps } from './pipeFriction'
import { risingTo } from './risingTo'
import { GRAVITY } from './constants'

export interface GravityFlowInput {
  headM: number
  lengthM: number
  innerDiameterMm: number
  roughnessMm?: number
  kTotal?: number
}

/** Velocity head times a loss coefficient, m. */
export function fittingLossM(flowLps: number, innerDiameterMm: number, k: number): number {
  return (k * pipeVelocityMps(flowLps, innerDiameterMm) ** 2) / (2 * GRAVITY)
}

/**
 * The flow at which a loss that grows with it comes to a head: halving, for the loss may bend where flow turns
 * turbulent.
 */
export function flowAtHead(headM: number, lossM: (flowLps: number) => number): number {
  return headM <= 0 ? 0 : risingTo(headM, lossM)
}

/** What a pipe passes under a head, friction and fittings together taking all of it. */
export function gravityFlow({ headM, lengthM, innerDiameterMm, roughnessMm = 0.0015, kTotal = 0 }: GravityFlowInput): {
  flowLps: number
} {
  return {
    flowLps: flowAtHead(
      headM,
      flowLps =>
        pipeFriction({ flowLps, innerDiameterMm, lengthM, roughnessMm }).headLossM +
        fittingLossM(flowLps, innerDiameterMm, kTotal),
    ),
  }
}

export const gravityFlowSum = defineSum({
  name: 'gravity-flow',
  purpose: 'Flow that a height of water drives through a pipe',
  formula: 'f · L/d · v²/2g + Σk · v²/2g = H, solved for Q',
  source: 'Darcy–Weisbach with fittings; water at 15 °C',
  input: z
    .strictObject({
      headM: atLeastZero(10000),
      lengthM: positive(1e6),
      innerDiameterMm: positive(5000),
      roughnessMm: within(0, 10).default(0.0015),
      kTotal: atLeastZero(10000).default(0),
    })
    .refine(input => (input.roughnessMm ?? 0) <= 0.1 * input.innerDiameterMm, {
      path: ['roughnessMm'],
      message: 'must be at most a tenth of innerDiameterMm',
    }),
  output: output('flowLps'),
  examples: [{ headM: 3, lengthM: 20, innerDiameterMm: 26 }],
  solve(input) {
    const result = gravityFlow(input)
    const friction = pipeFriction({ ...input, flowLps: result.flowLps })
    const fittingsM = fittingLossM(result.flowLps, input.innerDiameterMm, input.kTotal ?? 0)
    return {
      result,
      working: [
        { symbol: 'v', expression: `at ${digits(result.flowLps)} L/s`, value: friction.velocityMps, unit: 'm/s' },
        {
          symbol: 'friction',
          expression:
            `${digits(friction.frictionFactor)} × ${digits(input.lengthM)} / ` +
            `${digits(input.innerDiameterMm / 1000)} × ${digits(friction.velocityMps)}² / (2 × 9.80665)`,
          value: friction.headLossM,
          unit: 'm',
        },
        {
          symbol: 'fittings',
          expression: `${digits(input.kTotal ?? 0)} × ${digits(friction.velocityMps)}² / (2 × 9.80665)`,
          value: fittingsM,
          unit: 'm',
        },
        {
          symbol: 'Q',
          expression: `the flow at which ${digits(friction.headLossM)} + ${digits(fittingsM)} = ${digits(input.headM)} m`,
          value: result.flowLps,
          unit: 'L/s',
        },
      ],
    }
  },
})
