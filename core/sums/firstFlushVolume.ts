import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive } from './sum'

/** Litres a chamber must hold to keep back the first `depthMm` of rain from a roof. */
export function firstFlushVolume({ planAreaM2, depthMm }: { planAreaM2: number; depthMm: number }): {
  volumeL: number
} {
  return { volumeL: planAreaM2 * depthMm }
}

export const firstFlushVolumeSum = defineSum({
  name: 'first-flush-volume',
  purpose: 'Chamber size that keeps back the first rain',
  formula: 'V = A · d',
  source: 'geometry; 1 mm on 1 m² is 1 litre',
  input: z.strictObject({ planAreaM2: positive(1e6), depthMm: atLeastZero(50) }),
  output: output('volumeL'),
  examples: [{ planAreaM2: 60, depthMm: 0.8 }],
  solve(input) {
    const result = firstFlushVolume(input)
    return {
      result,
      working: [
        {
          symbol: 'V',
          expression: `${digits(input.planAreaM2)} × ${digits(input.depthMm)}`,
          value: result.volumeL,
          unit: 'L',
        },
      ],
    }
  },
})
