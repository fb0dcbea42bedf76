import { z } from 'zod'
import { defineSum, digits, output, positive } from './sum'

/** Share of the nominal capacity that the standard lets a level, nominally half-round gutter be counted on. */
const SAFE_SHARE = 0.9

const sectionMm2 = (widthMm: number) => (Math.PI * widthMm ** 2) / 8

/** What a level half-round gutter carries, running full to its lip. */
export function gutterHalfRound({ widthMm }: { widthMm: number }): { flowLps: number } {
  return { flowLps: SAFE_SHARE * 2.78e-5 * sectionMm2(widthMm) ** 1.25 }
}

export const gutterHalfRoundSum = defineSum({
  name: 'gutter-half-round',
  purpose: 'Flow that a level half-round gutter carries',
  formula: 'Q = 0.9 · 2.78·10⁻⁵ · Aᴱ^1.25;  Aᴱ = π w² / 8',
  source: 'EN 12056-3, eaves gutters laid level, short enough that length costs nothing',
  input: z.strictObject({ widthMm: positive(2000) }),
  output: output('flowLps'),
  examples: [{ widthMm: 125 }],
  solve(input) {
    const result = gutterHalfRound(input)
    const areaMm2 = sectionMm2(input.widthMm)
    return {
      result,
      working: [
        { symbol: 'Aᴱ', expression: `π × ${digits(input.widthMm)}² / 8`, value: areaMm2, unit: 'mm²' },
        { symbol: 'Q', expression: `0.9 × 2.78e−5 × ${digits(areaMm2)}^1.25`, value: result.flowLps, unit: 'L/s' },
      ],
    }
  },
})
