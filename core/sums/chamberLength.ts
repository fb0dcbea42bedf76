import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive } from './sum'
import { circleArea } from './circleArea'

/** Length of pipe that holds a volume. */
export function chamberLength({ volumeL, innerDiameterMm }: { volumeL: number; innerDiameterMm: number }): {
  lengthM: number
} {
  return { lengthM: volumeL / 1000 / circleArea(innerDiameterMm / 1000) }
}

export const chamberLengthSum = defineSum({
  name: 'chamber-length',
  purpose: 'Length of standpipe that holds a first flush',
  formula: 'L = V / (π d² / 4)',
  source: 'geometry',
  input: z.strictObject({ volumeL: atLeastZero(1e7), innerDiameterMm: positive(5000) }),
  output: output('lengthM'),
  examples: [{ volumeL: 48, innerDiameterMm: 153 }],
  solve(input) {
    const result = chamberLength(input)
    const areaM2 = circleArea(input.innerDiameterMm / 1000)
    return {
      result,
      working: [
        {
          symbol: 'π d² / 4',
          expression: `π × ${digits(input.innerDiameterMm / 1000)}² / 4`,
          value: areaM2,
          unit: 'm²',
        },
        {
          symbol: 'L',
          expression: `${digits(input.volumeL / 1000)} / ${digits(areaM2)}`,
          value: result.lengthM,
          unit: 'm',
        },
      ],
    }
  },
})
