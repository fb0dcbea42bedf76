import { describe, expect, it } from 'vitest'
import { frostDepthM } from '.'
import { blank } from '../../tests/sites'
import type { Site } from './schema'

/** Months that are all alike but for some that are colder. */
const withMonths = (cold: number, nightC: number, dayC: number): Site => {
  const { place, ...rest } = blank()
  const { frostDepthM: _typed, ...free } = place
  const months = Array.from({ length: 12 }, (_, month) => ({
    rainMm: 50,
    wetDays: 8,
    tMinC: month < cold ? nightC : 8,
    tMaxC: month < cold ? dayC : 18,
  }))
  return { ...rest, place: free, climate: { ...rest.climate, months } }
}

describe('frost depth, where nobody typed it', () => {
  it('goes with the root of the degree days of frost', () => {
    // January and February at −10 °C in the mean: 590 °C·days, 0.045 √590 = 1.09 m.
    expect(frostDepthM(withMonths(2, -14, -6))).toBeCloseTo(0.045 * Math.sqrt(10 * 59), 9)
  })
  it('is 0.15 m at least where nights freeze in the mean, and nothing where none does', () => {
    expect(frostDepthM(withMonths(1, -1, 6))).toBe(0.15)
    expect(frostDepthM(withMonths(1, 1, 6))).toBe(0)
  })
  it('is as it was typed, where it was', () => {
    const site = withMonths(2, -14, -6)
    expect(frostDepthM({ ...site, place: { ...site.place, frostDepthM: 0.8 } })).toBe(0.8)
  })
})
