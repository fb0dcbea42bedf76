import { z } from 'zod'
import { defineSum, digits, output, positive, within } from './sum'
import { GRAVITY } from './constants'

export interface ChamberDrainInput {
  innerDiameterMm: number
  heightM: number
  orificeMm: number
  dischargeCoefficient?: number
}

/** Hours a full chamber takes to empty through its outlet under a falling head. */
export function chamberDrainTime({
  innerDiameterMm,
  heightM,
  orificeMm,
  dischargeCoefficient = 0.62,
}: ChamberDrainInput): { hours: number } {
  return {
    hours: (((innerDiameterMm / orificeMm) ** 2 / dischargeCoefficient) * Math.sqrt((2 * heightM) / GRAVITY)) / 3600,
  }
}

export const chamberDrainTimeSum = defineSum({
  name: 'chamber-drain-time',
  purpose: 'Hours a first-flush chamber takes to empty itself',
  formula: 't = (D/d)² / Cd · √(2H/g)',
  source: 'Torricelli’s theorem with a discharge coefficient, integrated over a falling head',
  input: z
    .strictObject({
      innerDiameterMm: positive(5000),
      heightM: positive(50),
      orificeMm: positive(5000),
      dischargeCoefficient: within(0.1, 1).default(0.62),
    })
    .refine(input => input.orificeMm <= input.innerDiameterMm, {
      path: ['orificeMm'],
      message: 'must not be larger than the chamber’s innerDiameterMm',
    }),
  output: output('hours'),
  examples: [{ innerDiameterMm: 153, heightM: 2, orificeMm: 1.5 }],
  solve(input) {
    const result = chamberDrainTime(input)
    const ratio = (input.innerDiameterMm / input.orificeMm) ** 2
    const fallS = Math.sqrt((2 * input.heightM) / GRAVITY)
    return {
      result,
      working: [
        {
          symbol: '(D/d)²',
          expression: `(${digits(input.innerDiameterMm)} / ${digits(input.orificeMm)})²`,
          value: ratio,
          unit: '',
        },
        { symbol: '√(2H/g)', expression: `√(2 × ${digits(input.heightM)} / 9.80665)`, value: fallS, unit: 's' },
        {
          symbol: 't',
          expression: `${digits(ratio)} / ${digits(input.dischargeCoefficient)} × ${digits(fallS)} / 3600`,
          value: result.hours,
          unit: 'h',
        },
      ],
    }
  },
})
