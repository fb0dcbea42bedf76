/** Standard gravity, m/s² (CGPM 1901). */
export const GRAVITY = 9.80665
/** Water at the temperature the sums take unless told otherwise, °C. */
export const USUAL_WATER_C = 15
/** Air at sea level, kPa (ISO 2533). */
export const ATMOSPHERE_KPA = 101.325
