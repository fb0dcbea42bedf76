import { z } from 'zod'
import { staticPressure } from './staticPressure'
import { atLeastZero, defineSum, digits, output, within } from './sum'

export interface PumpHeadInput {
  staticLiftM: number
  frictionM: number
  deliveryPressureKPa: number
}

/** Metres of water at 15 °C that a pressure holds up. */
export const headOfPressureM = (pressureKPa: number): number => pressureKPa / staticPressure({ headM: 1 }).pressureKPa

/** The head that a pump must give: how far it lifts, what the line costs, and what is wanted at its end. */
export const pumpHead = ({ staticLiftM, frictionM, deliveryPressureKPa }: PumpHeadInput): { headM: number } => ({
  headM: staticLiftM + frictionM + headOfPressureM(deliveryPressureKPa),
})

export const pumpHeadSum = defineSum({
  name: 'pump-head',
  purpose: 'Head that a pump must give',
  formula: 'H = lift + friction + p / ρg',
  source: 'Bernoulli; water at 15 °C',
  input: z.strictObject({
    staticLiftM: within(-1000, 1000),
    frictionM: atLeastZero(10000),
    deliveryPressureKPa: atLeastZero(10000),
  }),
  output: output('headM'),
  examples: [{ staticLiftM: 4, frictionM: 2, deliveryPressureKPa: 200 }],
  solve(input) {
    const result = pumpHead(input)
    const pressureM = headOfPressureM(input.deliveryPressureKPa)
    const perM = staticPressure({ headM: 1 }).pressureKPa
    return {
      result,
      working: [
        {
          symbol: 'p / ρg',
          expression: `${digits(input.deliveryPressureKPa)} / ${digits(perM)}`,
          value: pressureM,
          unit: 'm',
        },
        {
          symbol: 'H',
          expression: `${digits(input.staticLiftM)} + ${digits(input.frictionM)} + ${digits(pressureM)}`,
          value: result.headM,
          unit: 'm',
        },
      ],
    }
  },
})
