import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, shareInput } from './sum'

export interface RoofYieldInput {
  planAreaM2: number
  rainMm: number
  runoffCoefficient: number
  wettingLossMm?: number
  captureShare?: number
}

/** Litres that a roof gives: plan area × (rain − wetting loss) × runoff coefficient × the share that is caught. */
export function roofYield({
  planAreaM2,
  rainMm,
  runoffCoefficient,
  wettingLossMm = 0,
  captureShare = 1,
}: RoofYieldInput): { volumeL: number } {
  return { volumeL: planAreaM2 * Math.max(0, rainMm - wettingLossMm) * runoffCoefficient * captureShare }
}

export const roofYieldSum = defineSum({
  name: 'roof-yield',
  purpose: 'Litres a roof gives from a fall of rain',
  formula: 'V = A · max(0, P − loss) · C · share',
  source: '1 mm of rain on 1 m² is 1 litre; wetting loss and runoff coefficient after Fewkes (2000)',
  input: z.strictObject({
    planAreaM2: positive(1e6),
    rainMm: atLeastZero(1e5),
    runoffCoefficient: shareInput(),
    wettingLossMm: atLeastZero(100).default(0),
    captureShare: shareInput().default(1),
  }),
  output: output('volumeL'),
  examples: [{ planAreaM2: 60, rainMm: 12, runoffCoefficient: 0.9 }],
  solve(input) {
    const result = roofYield(input)
    const effectiveMm = Math.max(0, input.rainMm - input.wettingLossMm)
    return {
      result,
      working: [
        {
          symbol: 'P − loss',
          expression: `max(0, ${digits(input.rainMm)} − ${digits(input.wettingLossMm)})`,
          value: effectiveMm,
          unit: 'mm',
        },
        {
          symbol: 'V',
          expression:
            `${digits(input.planAreaM2)} × ${digits(effectiveMm)} × ${digits(input.runoffCoefficient)} × ` +
            `${digits(input.captureShare)}`,
          value: result.volumeL,
          unit: 'L',
        },
      ],
    }
  },
})
