import { z } from 'zod'
import { defineSum, digits, output, positive, within } from './sum'

export interface DownpipeFlowInput {
  innerDiameterMm: number
  fillShare?: number
  roughnessMm?: number
}

/** What a round downpipe passes with water on its wall filling `fillShare` of it and air in its middle. */
export function downpipeFlow({ innerDiameterMm, fillShare = 0.33, roughnessMm = 0.25 }: DownpipeFlowInput): {
  flowLps: number
} {
  return { flowLps: 2.5e-4 * roughnessMm ** -0.167 * innerDiameterMm ** (8 / 3) * fillShare ** (5 / 3) }
}

export const downpipeFlowSum = defineSum({
  name: 'downpipe-flow',
  purpose: 'Flow that a downpipe passes',
  formula: 'Q = 2.5·10⁻⁴ · k^−0.167 · d^(8/3) · f^(5/3)',
  source: 'Wyly–Eaton, EN 12056-3; a third full unless told otherwise',
  input: z.strictObject({
    innerDiameterMm: positive(2000),
    fillShare: within(0.05, 1).default(0.33),
    roughnessMm: within(0.001, 10).default(0.25),
  }),
  output: output('flowLps'),
  examples: [{ innerDiameterMm: 68 }],
  solve(input) {
    const result = downpipeFlow(input)
    return {
      result,
      working: [
        {
          symbol: 'Q',
          expression:
            `2.5e−4 × ${digits(input.roughnessMm ?? 0.25)}^−0.167 × ${digits(input.innerDiameterMm)}^(8/3) × ` +
            `${digits(input.fillShare ?? 0.33)}^(5/3)`,
          value: result.flowLps,
          unit: 'L/s',
        },
      ],
    }
  },
})
