import { z } from 'zod'
import { waterDensity } from './waterDensity'
import { atLeastZero, defineSum, digits, output, within } from './sum'
import { ATMOSPHERE_KPA, GRAVITY } from './constants'

export interface SuctionLiftInput {
  altitudeM: number
  waterTemperatureC: number
  npshRequiredM: number
  frictionM: number
}

/** Pressure of the air at an altitude, kPa: the standard atmosphere. */
export const airPressureKPa = (altitudeM: number): number => ATMOSPHERE_KPA * (1 - 2.25577e-5 * altitudeM) ** 5.25588

/** Pressure at which water boils, kPa (Tetens). */
export const vapourPressureKPa = (waterTemperatureC: number): number =>
  0.61078 * Math.exp((17.27 * waterTemperatureC) / (waterTemperatureC + 237.3))

/** How far above its water a suction pump may stand; below nothing, it must stand under it. */
export function suctionLift(input: SuctionLiftInput): { maxLiftM: number } {
  const { altitudeM, waterTemperatureC, npshRequiredM, frictionM } = input
  const columnM =
    ((airPressureKPa(altitudeM) - vapourPressureKPa(waterTemperatureC)) * 1000) /
    (waterDensity(waterTemperatureC) * GRAVITY)
  return { maxLiftM: columnM - npshRequiredM - frictionM }
}

export const suctionLiftSum = defineSum({
  name: 'suction-lift',
  purpose: 'How high above its water a suction pump may stand',
  formula: 'h = (p air − p vapour) / ρg − NPSHr − friction;  p air = 101.325 (1 − 2.25577·10⁻⁵ z)^5.25588',
  source: 'standard atmosphere (ISO 2533); Tetens (1930); net positive suction head',
  input: z.strictObject({
    altitudeM: within(-430, 6000),
    waterTemperatureC: within(0, 60),
    npshRequiredM: atLeastZero(50),
    frictionM: atLeastZero(1000),
  }),
  output: output('maxLiftM'),
  examples: [{ altitudeM: 420, waterTemperatureC: 15, npshRequiredM: 2, frictionM: 0.8 }],
  solve(input) {
    const result = suctionLift(input)
    const [air, vapour] = [airPressureKPa(input.altitudeM), vapourPressureKPa(input.waterTemperatureC)]
    const density = waterDensity(input.waterTemperatureC)
    const columnM = ((air - vapour) * 1000) / (density * GRAVITY)
    return {
      result,
      working: [
        {
          symbol: 'p air',
          expression: `101.325 × (1 − 2.25577·10⁻⁵ × ${digits(input.altitudeM)})^5.25588`,
          value: air,
          unit: 'kPa',
        },
        {
          symbol: 'p vapour',
          expression: `0.61078 × e^(17.27 × ${digits(input.waterTemperatureC)} / (${digits(input.waterTemperatureC)} + 237.3))`,
          value: vapour,
          unit: 'kPa',
        },
        {
          symbol: 'column',
          expression: `(${digits(air)} − ${digits(vapour)}) × 1000 / (${digits(density)} × 9.80665)`,
          value: columnM,
          unit: 'm',
        },
        {
          symbol: 'h',
          expression: `${digits(columnM)} − ${digits(input.npshRequiredM)} − ${digits(input.frictionM)}`,
          value: result.maxLiftM,
          unit: 'm',
        },
      ],
    }
  },
})
