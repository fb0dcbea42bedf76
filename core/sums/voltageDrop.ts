import { z } from 'zod'
import { defineSum, digits, output, positive, within } from './sum'

export interface VoltageDropInput {
  currentA: number
  /** One way; the current comes back along the other wire. */
  lengthM: number
  conductorMm2: number
  volts: number
}
/** Resistivity of copper at 20 °C, Ω mm²/m. */
const COPPER = 0.0175

/** Volts that a copper cable loses, and their share of what goes in. */
export function voltageDrop(input: VoltageDropInput): { dropV: number; dropShare: number } {
  const dropV = (2 * input.lengthM * input.currentA * COPPER) / input.conductorMm2
  return { dropV, dropShare: dropV / input.volts }
}

export const voltageDropSum = defineSum({
  name: 'voltage-drop',
  purpose: 'Volts that a cable loses',
  formula: 'ΔU = 2 L I · 0.0175 / S',
  source: 'Ohm’s law; copper at 20 °C, there and back',
  input: z.strictObject({
    currentA: positive(1000),
    lengthM: positive(10000),
    conductorMm2: within(0.05, 1000),
    volts: within(1, 1000),
  }),
  output: output('dropV', 'dropShare'),
  examples: [{ currentA: 5, lengthM: 30, conductorMm2: 2.5, volts: 230 }],
  solve(input) {
    const result = voltageDrop(input)
    return {
      result,
      working: [
        {
          symbol: 'ΔU',
          expression:
            `2 × ${digits(input.lengthM)} × ${digits(input.currentA)} × 0.0175 / ` + digits(input.conductorMm2),
          value: result.dropV,
          unit: 'V',
        },
        {
          symbol: 'share',
          expression: `${digits(result.dropV)} / ${digits(input.volts)}`,
          value: result.dropShare,
          unit: '',
        },
      ],
    }
  },
})
