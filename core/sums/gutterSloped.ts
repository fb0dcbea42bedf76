import { z } from 'zod'
import { defineSum, digits, output, positive, within } from './sum'

export interface GutterSlopedInput {
  widthMm: number
  depthMm: number
  slope: number
  manning?: number
}

/** What a rectangular gutter laid to a fall carries, running full. `slope` is metres of fall per metre. */
export function gutterSloped({ widthMm, depthMm, slope, manning = 0.011 }: GutterSlopedInput): { flowLps: number } {
  const areaM2 = (widthMm * depthMm) / 1e6
  const radiusM = areaM2 / ((widthMm + 2 * depthMm) / 1000)
  return { flowLps: ((areaM2 * radiusM ** (2 / 3) * Math.sqrt(slope)) / manning) * 1000 }
}

export const gutterSlopedSum = defineSum({
  name: 'gutter-sloped',
  purpose: 'Flow that a box gutter laid to a fall carries',
  formula: 'Q = A R^⅔ √S / n;  R = A / (w + 2 d)',
  source: 'Manning, rectangular section running full; n 0.011 for smooth metal or plastic',
  input: z.strictObject({
    widthMm: positive(2000),
    depthMm: positive(2000),
    slope: within(1e-5, 1),
    manning: within(0.005, 0.1).default(0.011),
  }),
  output: output('flowLps'),
  examples: [{ widthMm: 125, depthMm: 60, slope: 0.003 }],
  solve(input) {
    const result = gutterSloped(input)
    const areaM2 = (input.widthMm * input.depthMm) / 1e6
    const radiusM = areaM2 / ((input.widthMm + 2 * input.depthMm) / 1000)
    return {
      result,
      working: [
        {
          symbol: 'A',
          expression: `${digits(input.widthMm / 1000)} × ${digits(input.depthMm / 1000)}`,
          value: areaM2,
          unit: 'm²',
        },
        {
          symbol: 'R',
          expression: `${digits(areaM2)} / (${digits(input.widthMm / 1000)} + 2 × ${digits(input.depthMm / 1000)})`,
          value: radiusM,
          unit: 'm',
        },
        {
          symbol: 'Q',
          expression:
            `${digits(areaM2)} × ${digits(radiusM)}^⅔ × √${digits(input.slope)} / ` +
            `${digits(input.manning ?? 0.011)} × 1000`,
          value: result.flowLps,
          unit: 'L/s',
        },
      ],
    }
  },
})
