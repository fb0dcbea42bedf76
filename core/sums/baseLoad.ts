import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive } from './sum'
import { GRAVITY } from './constants'

export interface BaseLoadInput {
  volumeL: number
  emptyMassKg: number
  contactAreaM2: number
}

/** What a full tank weighs and how hard it presses on its base. */
export function baseLoad({ volumeL, emptyMassKg, contactAreaM2 }: BaseLoadInput): {
  massKg: number
  pressureKPa: number
} {
  const massKg = volumeL + emptyMassKg
  return { massKg, pressureKPa: (massKg * GRAVITY) / contactAreaM2 / 1000 }
}

export const baseLoadSum = defineSum({
  name: 'base-load',
  purpose: 'Weight of a full tank and its pressure on the ground',
  formula: 'm = V · 1 kg/L + m₀;  p = m g / A',
  source: '1 kg per litre; force over area',
  input: z.strictObject({ volumeL: atLeastZero(), emptyMassKg: atLeastZero(), contactAreaM2: positive(1e5) }),
  output: output('massKg', 'pressureKPa'),
  examples: [{ volumeL: 1000, emptyMassKg: 60, contactAreaM2: 1.2 }],
  solve(input) {
    const result = baseLoad(input)
    return {
      result,
      working: [
        {
          symbol: 'm',
          expression: `${digits(input.volumeL)} + ${digits(input.emptyMassKg)}`,
          value: result.massKg,
          unit: 'kg',
        },
        {
          symbol: 'p',
          expression: `${digits(result.massKg)} × 9.80665 / ${digits(input.contactAreaM2)} / 1000`,
          value: result.pressureKPa,
          unit: 'kPa',
        },
      ],
    }
  },
})
