import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'

export interface ChlorineDoseInput {
  volumeL: number
  doseMgPerL: number
  /** Weight of available chlorine per volume of the product: 0.05 is 50 g in a litre. */
  availableShare: number
}

/** Product that brings a volume of water to a dose. */
export const chlorineDose = ({ volumeL, doseMgPerL, availableShare }: ChlorineDoseInput): { productMl: number } => ({
  productMl: (volumeL * doseMgPerL) / 1000 / availableShare,
})

export const chlorineDoseSum = defineSum({
  name: 'chlorine-dose',
  purpose: 'Bleach that disinfects a tank or a line',
  formula: 'V product = V · dose / 1000 / share',
  source: 'mass balance; share in grams of available chlorine a millilitre. Read the label, and what local rules say',
  input: z.strictObject({ volumeL: positive(1e7), doseMgPerL: atLeastZero(1000), availableShare: within(0.001, 1) }),
  output: output('productMl'),
  examples: [{ volumeL: 1000, doseMgPerL: 5, availableShare: 0.05 }],
  solve(input) {
    const result = chlorineDose(input)
    const grams = (input.volumeL * input.doseMgPerL) / 1000
    return {
      result,
      working: [
        {
          symbol: 'chlorine',
          expression: `${digits(input.volumeL)} × ${digits(input.doseMgPerL)} / 1000`,
          value: grams,
          unit: 'g',
        },
        {
          symbol: 'product',
          expression: `${digits(grams)} / ${digits(input.availableShare)}`,
          value: result.productMl,
          unit: 'mL',
        },
      ],
    }
  },
})
