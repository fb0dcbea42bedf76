import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, within } from './sum'

export interface StormIntensityInput {
  fiveYearMmPerH: number
  returnYears: number
  minutes: number
  returnExponent?: number
}

/** Minutes added to a burst's length, and the power by which it thins as it lasts longer. */
export const BURST_OFFSET_MIN = 10
export const BURST_EXPONENT = 0.75
const KNOWN = { minutes: 5, returnYears: 5 }

/**
 * How hard it rains over a burst of some minutes that comes back once in some years, from the five-minute burst that
 * comes
 * back once in five years.
 */
export function stormIntensity({ fiveYearMmPerH, returnYears, minutes, returnExponent = 0.2 }: StormIntensityInput): {
  intensityMmPerH: number
} {
  return {
    intensityMmPerH:
      fiveYearMmPerH *
      (returnYears / KNOWN.returnYears) ** returnExponent *
      ((KNOWN.minutes + BURST_OFFSET_MIN) / (minutes + BURST_OFFSET_MIN)) ** BURST_EXPONENT,
  }
}

export const stormIntensitySum = defineSum({
  name: 'storm-intensity',
  purpose: 'How hard it rains in a storm that comes back once in some years',
  formula: 'i = i₅ · (T/5)^m · (15 / (t + 10))^0.75',
  source:
    'intensity–duration–frequency in the form of Sherman (1931); i₅ the five-minute, five-year storm of the climate',
  input: z.strictObject({
    fiveYearMmPerH: atLeastZero(1000),
    returnYears: within(0.5, 1000),
    minutes: positive(1440),
    returnExponent: within(0, 1).default(0.2),
  }),
  output: output('intensityMmPerH'),
  examples: [{ fiveYearMmPerH: 60, returnYears: 10, minutes: 5 }],
  solve(input) {
    const result = stormIntensity(input)
    return {
      result,
      working: [
        {
          symbol: 'i',
          expression:
            `${digits(input.fiveYearMmPerH)} × (${digits(input.returnYears)} / ` +
            `5)^${digits(input.returnExponent ?? 0.2)} × (15 / (${digits(input.minutes)} + 10))^0.75`,
          value: result.intensityMmPerH,
          unit: 'mm/h',
        },
      ],
    }
  },
})
