import type { Climate } from '../site'

/** Mean temperature at sea level by latitude, and how far the warmest month stands above it: round fits to the globe. */
const meanAtSeaC = (latitudeDeg: number) => 27.5 - 0.0062 * latitudeDeg ** 2
const swingC = (latitudeDeg: number) => Math.min(14, 0.24 * Math.abs(latitudeDeg))
/** Air cools by so much a metre of height; ground that lies high warms some of it back. */
const LAPSE_C_PER_M = 0.0055
/** Nights and days lie this far from the mean of both. */
const HALF_DAY_C = 5.5
/** The warmest month follows the highest sun by one. */
const WARMEST_NORTH = 6

/** Rain on a wet day of a temperate month; from it the number of wet days is guessed. */
const MM_A_WET_DAY = 7
const MOST_WET_DAYS = 25

export interface ToldMonths {
  rainMm: number[]
  wetDays?: number[]
  tMinC?: number[]
  tMaxC?: number[]
}

/**
 * Twelve months as somebody told them. What they left out is guessed from the place, and named in `assumed`, so that
 * nobody takes it for theirs: temperatures by latitude and altitude, wet days by the rain.
 */
export function monthsTold(
  { rainMm, wetDays, tMinC, tMaxC }: ToldMonths,
  { latitudeDeg, altitudeM }: { latitudeDeg: number; altitudeM: number },
): Pick<Climate, 'months' | 'assumed'> {
  const told = tMinC && tMaxC
  const middleC = meanAtSeaC(latitudeDeg) - LAPSE_C_PER_M * altitudeM
  const warmest = latitudeDeg < 0 ? (WARMEST_NORTH + 6) % 12 : WARMEST_NORTH
  const meanC = (month: number) => middleC + swingC(latitudeDeg) * Math.cos(((month - warmest) / 12) * 2 * Math.PI)
  const tenth = (celsius: number) => Math.round(celsius * 10) / 10
  const assumed = [...(told ? [] : ['temperatures' as const]), ...(wetDays ? [] : ['wetDays' as const])]
  return {
    months: rainMm.map((rain, month) => ({
      rainMm: rain,
      wetDays: wetDays?.[month] ?? Math.min(MOST_WET_DAYS, Math.max(rain > 0 ? 1 : 0, Math.round(rain / MM_A_WET_DAY))),
      tMinC: told ? tMinC[month]! : tenth(meanC(month) - HALF_DAY_C),
      tMaxC: told ? tMaxC[month]! : tenth(meanC(month) + HALF_DAY_C),
    })),
    ...(assumed.length ? { assumed } : {}),
  }
}
