import { z } from 'zod'
import { waterDensity } from './waterDensity'
import { defineSum, digits, output, within } from './sum'
import { GRAVITY, USUAL_WATER_C } from './constants'

/** Gauge pressure under a head of still water at 15 °C. */
export function staticPressure({ headM }: { headM: number }): { pressureKPa: number } {
  return { pressureKPa: (waterDensity(USUAL_WATER_C) * GRAVITY * headM) / 1000 }
}

export const staticPressureSum = defineSum({
  name: 'static-pressure',
  purpose: 'Pressure that a height of water gives',
  formula: 'p = ρ g h',
  source: 'hydrostatics; water at 15 °C',
  input: z.strictObject({ headM: within(-1000, 10000) }),
  output: output('pressureKPa'),
  examples: [{ headM: 3 }],
  solve(input) {
    const result = staticPressure(input)
    const density = waterDensity(USUAL_WATER_C)
    return {
      result,
      working: [
        { symbol: 'ρ', expression: 'water at 15 °C', value: density, unit: 'kg/m³' },
        {
          symbol: 'p',
          expression: `${digits(density)} × 9.80665 × ${digits(input.headM)} / 1000`,
          value: result.pressureKPa,
          unit: 'kPa',
        },
      ],
    }
  },
})
