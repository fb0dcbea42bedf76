import { INCH_MM } from '../units'
/** Units that rain records come in, each in mm. */
export type RainUnit = 'mm' | 'cm' | 'in' | 'tenths of mm' | 'hundredths of in'
export const RAIN_UNITS: Record<RainUnit, number> = {
  mm: 1,
  cm: 10,
  in: INCH_MM,
  'tenths of mm': 0.1,
  'hundredths of in': 0.254,
}
