/** Standard gravity, m/s² (CGPM 1901). */
export const GRAVITY = 9.80665
/** Water at the temperature the sums take unless told otherwise, °C. */
export const USUAL_WATER_C = 15
