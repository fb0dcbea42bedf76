import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, shareInput, within } from './sum'

export interface GardenNeedInput {
  latitudeDeg: number
  month: number
  tMinC: number
  tMaxC: number
  areaM2: number
  cropCoefficient: number
  rainMm?: number
  rainUseShare?: number
  irrigationEfficiency?: number
}

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
/** Day of the year at the middle of each month (FAO-56, equation 22's table). */
const MID_MONTH = [15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349]

/**
 * Extraterrestrial radiation, MJ/m²/day, on a day of the year (FAO-56, equations 21–25). Polar night and midnight sun
 * included.
 */
export function extraterrestrialRadiation(latitudeDeg: number, dayOfYear: number): number {
  const distance = 1 + 0.033 * Math.cos(((2 * Math.PI) / 365) * dayOfYear)
  const { latitude, declination, sunset } = sunOn(latitudeDeg, dayOfYear)
  return (
    ((24 * 60) / Math.PI) *
    0.082 *
    distance *
    (sunset * Math.sin(latitude) * Math.sin(declination) +
      Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset))
  )
}

/** Latitude, the sun's declination and its hour angle at sunset, radians (FAO-56, equations 22–25). */
function sunOn(latitudeDeg: number, dayOfYear: number) {
  const latitude = (latitudeDeg * Math.PI) / 180
  const declination = 0.409 * Math.sin(((2 * Math.PI) / 365) * dayOfYear - 1.39)
  const sunset = Math.acos(Math.max(-1, Math.min(1, -Math.tan(latitude) * Math.tan(declination))))
  return { latitude, declination, sunset }
}

/** Hours from sunrise to sunset at the middle of a month (0 for January), FAO-56, equation 34. */
export const monthDaylightH = (latitudeDeg: number, month: number): number =>
  (24 / Math.PI) * sunOn(latitudeDeg, MID_MONTH[month]!).sunset

/** Extraterrestrial radiation at the middle of a month (0 for January), MJ/m²/day. */
export function monthRadiationMJ(latitudeDeg: number, month: number): number {
  return extraterrestrialRadiation(latitudeDeg, MID_MONTH[month]!)
}

/** Reference evapotranspiration, mm/day, from daily minimum and maximum temperature (Hargreaves & Samani 1985). */
export function referenceEvapotranspiration(radiationMJ: number, tMinC: number, tMaxC: number): number {
  const meanC = (tMinC + tMaxC) / 2
  return Math.max(0, 0.0023 * (meanC + 17.8) * Math.sqrt(tMaxC - tMinC) * 0.408 * radiationMJ)
}

/** Litres a day that a bed asks for in a month, after the rain it can use. */
export function gardenNeed(input: GardenNeedInput): { et0MmPerDay: number; litresPerDay: number } {
  const { rainMm = 0, rainUseShare = 0.75, irrigationEfficiency = 0.9 } = input
  const days = DAYS[input.month - 1]!
  const et0MmPerDay = referenceEvapotranspiration(
    monthRadiationMJ(input.latitudeDeg, input.month - 1),
    input.tMinC,
    input.tMaxC,
  )
  const needMm = Math.max(0, input.cropCoefficient * et0MmPerDay * days - rainUseShare * rainMm)
  return { et0MmPerDay, litresPerDay: (needMm * input.areaM2) / irrigationEfficiency / days }
}

export const gardenNeedSum = defineSum({
  name: 'garden-need',
  purpose: 'Water a bed asks for in a month',
  formula:
    'ET₀ = 0.0023 (T + 17.8) √(Tmax − Tmin) · 0.408 Ra;  need = max(0, Kc·ET₀·days − share·rain) · area / ' +
    'efficiency / days',
  source: 'Hargreaves & Samani (1985) with FAO-56 radiation at mid-month',
  input: z
    .strictObject({
      latitudeDeg: within(-90, 90),
      month: within(1, 12).int('must be a whole month, 1 to 12'),
      tMinC: within(-60, 60),
      tMaxC: within(-60, 65),
      areaM2: atLeastZero(1e6),
      cropCoefficient: within(0, 2),
      rainMm: atLeastZero(3000).default(0),
      rainUseShare: shareInput().default(0.75),
      irrigationEfficiency: within(0.1, 1).default(0.9),
    })
    .refine(input => input.tMaxC >= input.tMinC, { path: ['tMaxC'], message: 'must not be below tMinC' }),
  output: output('et0MmPerDay', 'litresPerDay'),
  examples: [{ latitudeDeg: 40, month: 7, tMinC: 15, tMaxC: 29, areaM2: 20, cropCoefficient: 0.9 }],
  solve(input) {
    const result = gardenNeed(input)
    const radiation = monthRadiationMJ(input.latitudeDeg, input.month - 1)
    const days = DAYS[input.month - 1]!
    const needMm = Math.max(0, input.cropCoefficient * result.et0MmPerDay * days - input.rainUseShare * input.rainMm)
    return {
      result,
      working: [
        {
          symbol: 'Ra',
          expression: `latitude ${digits(input.latitudeDeg)}°, day ${MID_MONTH[input.month - 1]}`,
          value: radiation,
          unit: 'MJ/m²/day',
        },
        {
          symbol: 'ET₀',
          expression:
            `0.0023 × (${digits((input.tMinC + input.tMaxC) / 2)} + 17.8) × ` +
            `√${digits(input.tMaxC - input.tMinC)} × 0.408 × ${digits(radiation)}`,
          value: result.et0MmPerDay,
          unit: 'mm/day',
        },
        {
          symbol: 'need',
          expression:
            `max(0, ${digits(input.cropCoefficient)} × ${digits(result.et0MmPerDay)} × ${days} − ` +
            `${digits(input.rainUseShare)} × ${digits(input.rainMm)})`,
          value: needMm,
          unit: 'mm',
        },
        {
          symbol: 'V',
          expression: `${digits(needMm)} × ${digits(input.areaM2)} / ${digits(input.irrigationEfficiency)} / ${days}`,
          value: result.litresPerDay,
          unit: 'L/day',
        },
      ],
    }
  },
})
