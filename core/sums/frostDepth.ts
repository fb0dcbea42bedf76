import { z } from 'zod'
import { atLeastZero, defineSum, digits, output } from './sum'

export interface FrostDepthInput {
  /** Degree days of frost in a year: months' means below freezing times their days, °C·days. */
  degreeDaysC: number
  /** The mean night of the coldest month, °C. */
  coldestNightC: number
}

const [PER_ROOT_M, LEAST_M] = [0.045, 0.15]

/** How deep the frost goes into open ground: it grows with the root of the cold that it has had (Stefan). */
export const frostDepth = ({ degreeDaysC, coldestNightC }: FrostDepthInput): { depthM: number } => ({
  depthM: Math.max(PER_ROOT_M * Math.sqrt(degreeDaysC), coldestNightC < 0 ? LEAST_M : 0),
})

export const frostDepthSum = defineSum({
  name: 'frost-depth',
  purpose: 'How deep the frost goes into open ground',
  formula: 'd = 0.045 √F, at least 0.15 m where nights freeze in the mean',
  source: 'Stefan’s root of the degree days of frost, for open ground without snow; local codes name what to build by',
  input: z.strictObject({ degreeDaysC: atLeastZero(1e5), coldestNightC: z.number().min(-90).max(60) }),
  output: output('depthM'),
  examples: [{ degreeDaysC: 400, coldestNightC: -9 }],
  solve(input) {
    const result = frostDepth(input)
    return {
      result,
      working: [
        {
          symbol: 'd',
          expression: `max(0.045 × √${digits(input.degreeDaysC)}, ${input.coldestNightC < 0 ? '0.15' : '0'})`,
          value: result.depthM,
          unit: 'm',
        },
      ],
    }
  },
})
