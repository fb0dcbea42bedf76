/**
 * Density of water, kg/m³, at a temperature in °C (0–100).
 * Source: the rational fit quoted in McCutcheon, Martin & Barnwell, Handbook of Hydrology (1993).
 */
export function waterDensity(temperatureC: number): number {
  return (
    1000 * (1 - ((temperatureC + 288.9414) / (508929.2 * (temperatureC + 68.12963))) * (temperatureC - 3.9863) ** 2)
  )
}
