/** Dynamic viscosity of water, Pa·s, from its temperature in °C (Likhachev 2003, the simple form). */
export function waterViscosity(temperatureC: number): number {
  return 2.414e-5 * 10 ** (247.8 / (temperatureC + 133.15))
}
