import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'

export interface SoakawayInput {
  planAreaM2: number
  stormMm: number
  stormHours: number
  infiltrationMPerS: number
  wettedAreaM2: number
  voidShare: number
}
export interface Soakaway {
  storageM3: number
  pitM3: number
  halfEmptyHours: number
}

/**
 * What a soakaway must hold at the end of a storm, how large a pit of stone that is, and how long half of it takes to
 * go.
 */
export function soakaway({
  planAreaM2,
  stormMm,
  stormHours,
  infiltrationMPerS,
  wettedAreaM2,
  voidShare,
}: SoakawayInput): Soakaway {
  const awayM3PerH = wettedAreaM2 * infiltrationMPerS * 3600
  const storageM3 = Math.max(0, (planAreaM2 * stormMm) / 1000 - awayM3PerH * stormHours)
  return { storageM3, pitM3: storageM3 / voidShare, halfEmptyHours: storageM3 / 2 / awayM3PerH }
}

export const soakawaySum = defineSum({
  name: 'soakaway',
  purpose: 'Size of a soakaway, and how fast it half-empties',
  formula: 'S = A · P − a · f · t;  pit = S / voids;  t½ = S / (2 a f)',
  source:
    'inflow less outflow over the storm, soaking through the wetted wall and floor; wants to half-empty within a day',
  input: z.strictObject({
    planAreaM2: positive(1e6),
    stormMm: atLeastZero(2000),
    stormHours: positive(240),
    infiltrationMPerS: positive(1),
    wettedAreaM2: positive(1e5),
    voidShare: within(0.05, 1),
  }),
  output: output('storageM3', 'pitM3', 'halfEmptyHours'),
  examples: [{ planAreaM2: 60, stormMm: 30, stormHours: 2, infiltrationMPerS: 2e-5, wettedAreaM2: 6, voidShare: 0.4 }],
  solve(input) {
    const result = soakaway(input)
    const inM3 = (input.planAreaM2 * input.stormMm) / 1000
    const awayM3PerH = input.wettedAreaM2 * input.infiltrationMPerS * 3600
    return {
      result,
      working: [
        {
          symbol: 'in',
          expression: `${digits(input.planAreaM2)} × ${digits(input.stormMm)} / 1000`,
          value: inM3,
          unit: 'm³',
        },
        {
          symbol: 'a f',
          expression: `${digits(input.wettedAreaM2)} × ${digits(input.infiltrationMPerS)} × 3600`,
          value: awayM3PerH,
          unit: 'm³/h',
        },
        {
          symbol: 'S',
          expression: `max(0, ${digits(inM3)} − ${digits(awayM3PerH)} × ${digits(input.stormHours)})`,
          value: result.storageM3,
          unit: 'm³',
        },
        {
          symbol: 'pit',
          expression: `${digits(result.storageM3)} / ${digits(input.voidShare)}`,
          value: result.pitM3,
          unit: 'm³',
        },
        {
          symbol: 't½',
          expression: `${digits(result.storageM3)} / 2 / ${digits(awayM3PerH)}`,
          value: result.halfEmptyHours,
          unit: 'h',
        },
      ],
    }
  },
})
