import { z } from 'zod'
import { defineSum, digits, output, positive, within } from './sum'
import { GRAVITY } from './constants'

export interface SolarLiftInput {
  panelW: number
  peakSunHours: number
  efficiency: number
  headM: number
}

/** Litres a day that panels lift: a litre weighs a kilogram. */
export const solarLift = ({ panelW, peakSunHours, efficiency, headM }: SolarLiftInput): { litresPerDay: number } => ({
  litresPerDay: (panelW * peakSunHours * 3600 * efficiency) / (GRAVITY * headM),
})

export const solarLiftSum = defineSum({
  name: 'solar-lift',
  purpose: 'Water that the sun lifts in a day',
  formula: 'V = W · h · 3600 · η / (g H)',
  source: 'energy of the day over the energy of a litre; 1 kg a litre',
  input: z.strictObject({
    panelW: positive(1e6),
    peakSunHours: within(0, 14),
    efficiency: within(0.001, 1),
    headM: within(0.01, 10000),
  }),
  output: output('litresPerDay'),
  examples: [{ panelW: 200, peakSunHours: 4, efficiency: 0.3, headM: 20 }],
  solve(input) {
    const result = solarLift(input)
    const energyJ = input.panelW * input.peakSunHours * 3600
    return {
      result,
      working: [
        {
          symbol: 'E',
          expression: `${digits(input.panelW)} × ${digits(input.peakSunHours)} × 3600`,
          value: energyJ,
          unit: 'J',
        },
        {
          symbol: 'V',
          expression: `${digits(energyJ)} × ${digits(input.efficiency)} / (9.80665 × ${digits(input.headM)})`,
          value: result.litresPerDay,
          unit: 'L a day',
        },
      ],
    }
  },
})
