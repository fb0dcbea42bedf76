import { z } from 'zod'
import { waterDensity } from './waterDensity'
import { atLeastZero, defineSum, digits, output, within } from './sum'
import { GRAVITY, USUAL_WATER_C } from './constants'

export interface PumpPowerInput {
  flowLps: number
  headM: number
  efficiency: number
}

/** What lifting takes, and what the motor takes from its cable for it. */
export function pumpPower({ flowLps, headM, efficiency }: PumpPowerInput): { hydraulicW: number; inputW: number } {
  const hydraulicW = (waterDensity(USUAL_WATER_C) * GRAVITY * flowLps * headM) / 1000
  return { hydraulicW, inputW: hydraulicW / efficiency }
}

export const pumpPowerSum = defineSum({
  name: 'pump-power',
  purpose: 'Power that lifting takes',
  formula: 'P = ρ g Q H;  P in = P / efficiency',
  source: 'hydraulic power; water at 15 °C',
  input: z.strictObject({
    flowLps: atLeastZero(1e5),
    headM: atLeastZero(10000),
    efficiency: within(0.001, 1),
  }),
  output: output('hydraulicW', 'inputW'),
  examples: [{ flowLps: 0.6, headM: 32, efficiency: 0.4 }],
  solve(input) {
    const result = pumpPower(input)
    const density = digits(waterDensity(USUAL_WATER_C))
    return {
      result,
      working: [
        {
          symbol: 'P',
          expression: `${density} × 9.80665 × ${digits(input.flowLps)} × ${digits(input.headM)} / 1000`,
          value: result.hydraulicW,
          unit: 'W',
        },
        {
          symbol: 'P in',
          expression: `${digits(result.hydraulicW)} / ${digits(input.efficiency)}`,
          value: result.inputW,
          unit: 'W',
        },
      ],
    }
  },
})
