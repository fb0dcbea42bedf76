import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'
import { gravityFlow } from './gravityFlow'

export interface LevelTogetherInput {
  planAreaAM2: number
  planAreaBM2: number
  levelDifferenceM: number
  withinM?: number
  lengthM: number
  innerDiameterMm: number
  roughnessMm?: number
  kTotal?: number
}

const STEPS = 64

/**
 * Minutes in which two tanks of upright walls come to one level through a pipe, to within a difference. The flow
 * falls with the difference,
 * so that time is the integral of dh / (Q(h)(1/A + 1/B)), taken over √h, in which it is nearly straight.
 */
export function levelTogether({
  planAreaAM2,
  planAreaBM2,
  levelDifferenceM,
  withinM = 0.01,
  lengthM,
  innerDiameterMm,
  roughnessMm = 0.0015,
  kTotal = 3,
}: LevelTogetherInput): { minutes: number } {
  if (levelDifferenceM <= withinM) return { minutes: 0 }
  const perFlow = 1 / planAreaAM2 + 1 / planAreaBM2
  const [low, high] = [Math.sqrt(withinM), Math.sqrt(levelDifferenceM)]
  let sum = 0
  for (let step = 0; step <= STEPS; step++) {
    const root = low + ((high - low) * step) / STEPS
    const { flowLps } = gravityFlow({ headM: root * root, lengthM, innerDiameterMm, roughnessMm, kTotal })
    const weight = step === 0 || step === STEPS ? 1 : step % 2 ? 4 : 2
    sum += (weight * 2 * root) / ((flowLps / 1000) * perFlow)
  }
  return { minutes: (sum * (high - low)) / STEPS / 3 / 60 }
}

export const levelTogetherSum = defineSum({
  name: 'level-together',
  purpose: 'Minutes in which two joined tanks come to one level',
  formula: 'dh/dt = −Q(h) (1/A₁ + 1/A₂), Q by gravity-flow',
  source: 'continuity with Darcy–Weisbach, integrated from the difference down to what is close enough',
  input: z
    .strictObject({
      planAreaAM2: positive(1e5),
      planAreaBM2: positive(1e5),
      levelDifferenceM: atLeastZero(100),
      withinM: positive(10).default(0.01),
      lengthM: positive(1e5),
      innerDiameterMm: positive(5000),
      roughnessMm: within(0, 10).default(0.0015),
      kTotal: atLeastZero(10000).default(3),
    })
    .refine(input => (input.roughnessMm ?? 0) <= 0.1 * input.innerDiameterMm, {
      path: ['roughnessMm'],
      message: 'must be at most a tenth of innerDiameterMm',
    }),
  output: output('minutes'),
  examples: [{ planAreaAM2: 2.8, planAreaBM2: 2.8, levelDifferenceM: 0.5, lengthM: 2, innerDiameterMm: 50 }],
  solve(input) {
    const result = levelTogether(input)
    const first = gravityFlow({
      headM: input.levelDifferenceM,
      lengthM: input.lengthM,
      innerDiameterMm: input.innerDiameterMm,
      roughnessMm: input.roughnessMm,
      kTotal: input.kTotal ?? 3,
    }).flowLps
    const perFlow = 1 / input.planAreaAM2 + 1 / input.planAreaBM2
    return {
      result,
      working: [
        { symbol: 'Q₀', expression: `gravity-flow at ${digits(input.levelDifferenceM)} m`, value: first, unit: 'L/s' },
        {
          symbol: 'dh/dt₀',
          expression: `${digits(first / 1000)} × (1 / ${digits(input.planAreaAM2)} + 1 / ${digits(input.planAreaBM2)}) × 60`,
          value: (first / 1000) * perFlow * 60,
          unit: 'm/min',
        },
        {
          symbol: 't',
          expression:
            `∫ dh / (Q(h) × ${digits(perFlow)}), h from ${digits(input.withinM ?? 0.01)} to ` +
            `${digits(input.levelDifferenceM)} m, / 60`,
          value: result.minutes,
          unit: 'min',
        },
      ],
    }
  },
})
