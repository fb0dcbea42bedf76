import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'
import { GRAVITY } from './constants'
import { circleArea } from './circleArea'

export interface DrainDownInput {
  planAreaM2: number
  fromLevelM: number
  toLevelM: number
  orificeMm: number
  dischargeCoefficient?: number
}

/**
 * Minutes in which a tank of upright walls falls from one level to another through an opening; levels are above the
 * opening.
 */
export function drainDownTime({
  planAreaM2,
  fromLevelM,
  toLevelM,
  orificeMm,
  dischargeCoefficient = 0.62,
}: DrainDownInput): { minutes: number } {
  return {
    minutes:
      ((planAreaM2 / (dischargeCoefficient * circleArea(orificeMm / 1000))) *
        Math.sqrt(2 / GRAVITY) *
        (Math.sqrt(fromLevelM) - Math.sqrt(toLevelM))) /
      60,
  }
}

export const drainDownTimeSum = defineSum({
  name: 'drain-down-time',
  purpose: 'Minutes in which a tank falls from one level to another',
  formula: 't = A / (Cd a) · √(2/g) · (√h₁ − √h₂)',
  source: 'Torricelli’s theorem with a discharge coefficient, integrated over the fall',
  input: z
    .strictObject({
      planAreaM2: positive(1e5),
      fromLevelM: atLeastZero(100),
      toLevelM: atLeastZero(100),
      orificeMm: positive(5000),
      dischargeCoefficient: within(0.1, 1).default(0.62),
    })
    .refine(input => input.toLevelM <= input.fromLevelM, {
      path: ['toLevelM'],
      message: 'must not be above fromLevelM',
    }),
  output: output('minutes'),
  examples: [{ planAreaM2: 2.8, fromLevelM: 1.5, toLevelM: 0.1, orificeMm: 40 }],
  solve(input) {
    const result = drainDownTime(input)
    const openingM2 = circleArea(input.orificeMm / 1000)
    return {
      result,
      working: [
        { symbol: 'a', expression: `π × ${digits(input.orificeMm / 1000)}² / 4`, value: openingM2, unit: 'm²' },
        {
          symbol: 't',
          expression:
            `${digits(input.planAreaM2)} / (${digits(input.dischargeCoefficient ?? 0.62)} × ` +
            `${digits(openingM2)}) × √(2 / 9.80665) × (√${digits(input.fromLevelM)} − ` +
            `√${digits(input.toLevelM)}) / 60`,
          value: result.minutes,
          unit: 'min',
        },
      ],
    }
  },
})
