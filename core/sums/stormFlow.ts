import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, shareInput } from './sum'

/** Peak flow off a roof in a storm, by the rational method. */
export function stormFlow({
  planAreaM2,
  intensityMmPerH,
  runoffCoefficient = 1,
}: {
  planAreaM2: number
  intensityMmPerH: number
  runoffCoefficient?: number
}): { flowLps: number } {
  return { flowLps: (planAreaM2 * intensityMmPerH * runoffCoefficient) / 3600 }
}

export const stormFlowSum = defineSum({
  name: 'storm-flow',
  purpose: 'Flow that a roof sends down in a storm',
  formula: 'Q = A · i · C / 3600',
  source: 'rational method (EN 12056-3)',
  input: z.strictObject({
    planAreaM2: positive(1e6),
    intensityMmPerH: atLeastZero(1000),
    runoffCoefficient: shareInput().default(1),
  }),
  output: output('flowLps'),
  examples: [{ planAreaM2: 60, intensityMmPerH: 75 }],
  solve(input) {
    const result = stormFlow(input)
    return {
      result,
      working: [
        {
          symbol: 'Q',
          expression:
            `${digits(input.planAreaM2)} × ${digits(input.intensityMmPerH)} × ${digits(input.runoffCoefficient)} ` +
            '/ 3600',
          value: result.flowLps,
          unit: 'L/s',
        },
      ],
    }
  },
})
