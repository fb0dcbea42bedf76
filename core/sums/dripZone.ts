import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive } from './sum'

export interface Emitters {
  count: number
  litresPerHour: number
}
export interface DripZoneInput {
  emitters: Emitters[]
  minutesPerRun: number
  runsPerWeek: number
}

/** What a drip zone draws while it runs, and what it puts out in a week. */
export function dripZone({ emitters, minutesPerRun, runsPerWeek }: DripZoneInput): {
  flowLph: number
  litresPerWeek: number
} {
  const flowLph = emitters.reduce((sum, { count, litresPerHour }) => sum + count * litresPerHour, 0)
  return { flowLph, litresPerWeek: ((flowLph * minutesPerRun) / 60) * runsPerWeek }
}

export const dripZoneSum = defineSum({
  name: 'drip-zone',
  purpose: 'Flow of a drip zone, and its litres a week',
  formula: 'Q = Σ n · q;  V = Q · t / 60 · runs',
  source: 'sum of pressure-compensated emitters, each at the flow its maker gives',
  input: z.strictObject({
    emitters: z
      .array(z.strictObject({ count: atLeastZero(1e6), litresPerHour: atLeastZero(1000) }), {
        error: 'must be a list of { count, litresPerHour }',
      })
      .min(1, 'must hold at least one kind of emitter')
      .max(100, 'must hold at most 100 kinds of emitter'),
    minutesPerRun: positive(10080),
    runsPerWeek: positive(1000),
  }),
  output: output('flowLph', 'litresPerWeek'),
  examples: [{ emitters: [{ count: 40, litresPerHour: 2 }], minutesPerRun: 30, runsPerWeek: 3 }],
  solve(input) {
    const result = dripZone(input)
    return {
      result,
      working: [
        {
          symbol: 'Q',
          expression: input.emitters
            .map(({ count, litresPerHour }) => `${digits(count)} × ${digits(litresPerHour)}`)
            .join(' + '),
          value: result.flowLph,
          unit: 'L/h',
        },
        {
          symbol: 'V',
          expression: `${digits(result.flowLph)} × ${digits(input.minutesPerRun)} / 60 × ${digits(input.runsPerWeek)}`,
          value: result.litresPerWeek,
          unit: 'L a week',
        },
      ],
    }
  },
})
