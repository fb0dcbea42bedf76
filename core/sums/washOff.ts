import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive } from './sum'

export interface WashOffInput {
  runoffMm: number
  keptMm: number
  washOffPerMm?: number
}

/** Per millimetre of runoff: every millimetre washes half of what is left on the roof. */
export const WASH_OFF_PER_MM = 0.7

/**
 * Share of a roof's loose dirt that a rain brings down, and the part of it that comes with the first millimetres,
 * which are kept back.
 */
export function washOff({ runoffMm, keptMm, washOffPerMm = WASH_OFF_PER_MM }: WashOffInput): {
  washedShare: number
  keptShare: number
} {
  return {
    washedShare: -Math.expm1(-washOffPerMm * runoffMm),
    keptShare: -Math.expm1(-washOffPerMm * Math.min(keptMm, runoffMm)),
  }
}

export const washOffSum = defineSum({
  name: 'wash-off',
  purpose: 'Share of a roof’s dirt that the first millimetres of a rain carry',
  formula: 'washed = 1 − e^(−k R);  kept = 1 − e^(−k min(d, R))',
  source:
    'exponential wash-off (Sartor & Boyd 1972); k 0.7 per mm, so that each millimetre halves the load ' +
    '(Martinson & Thomas 2005)',
  input: z.strictObject({
    runoffMm: atLeastZero(2000),
    keptMm: atLeastZero(100),
    washOffPerMm: positive(20).default(WASH_OFF_PER_MM),
  }),
  output: output('washedShare', 'keptShare'),
  examples: [{ runoffMm: 5, keptMm: 0.8 }],
  solve(input) {
    const result = washOff(input)
    const k = input.washOffPerMm ?? WASH_OFF_PER_MM
    return {
      result,
      working: [
        {
          symbol: 'washed',
          expression: `1 − e^(−${digits(k)} × ${digits(input.runoffMm)})`,
          value: result.washedShare,
          unit: '',
        },
        {
          symbol: 'kept',
          expression: `1 − e^(−${digits(k)} × min(${digits(input.keptMm)}, ${digits(input.runoffMm)}))`,
          value: result.keptShare,
          unit: '',
        },
      ],
    }
  },
})
