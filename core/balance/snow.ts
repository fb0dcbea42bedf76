import type { DailySeries } from '../climate'

/** Rain and melt that run off a roof each day, mm; without melt, where it never freezes. */
export interface RoofRunoff {
  rainMm: Float64Array
  meltMm?: Float64Array
}

/** What melts on a day for each degree of its mean above freezing, mm. */
const MELTS_MM_PER_C = 3
/** From this pitch on all snow slides off; below the other, none does. */
const [SLIDES_ALL_DEG, SLIDES_NONE_DEG] = [60, 30]

/** The share of the snow on a roof that lies there until it melts; the rest slides off and is lost. */
export function snowShare(pitchDeg: number): number {
  return Math.max(0, Math.min(1, (SLIDES_ALL_DEG - pitchDeg) / (SLIDES_ALL_DEG - SLIDES_NONE_DEG)))
}

/**
 * What runs off roofs in the first days of a series: where a day's mean is below freezing what falls lies as snow, a
 * share of it each, and later runs with the thaw. `lyingMm` is what lies on each roof, and is carried on.
 */
export function roofRunoff(
  { rainMm, month, warmth }: DailySeries,
  days: number,
  meanC: readonly number[],
  shares: Float64Array,
  lyingMm: Float64Array,
): RoofRunoff[] {
  const celsius = (day: number) => warmth?.meanC[day] ?? meanC[month[day]!]!
  const freezes = warmth ? warmth.meanC.some(mean => mean < 0) : meanC.some(mean => mean < 0)
  if (!freezes) return Array.from(shares, () => ({ rainMm }))
  return Array.from(shares, (share, roof) => {
    const water = { rainMm: new Float64Array(days), meltMm: new Float64Array(days) }
    let lying = lyingMm[roof]!
    for (let day = 0; day < days; day++) {
      const mean = celsius(day)
      if (mean < 0) {
        lying += rainMm[day]! * share
        continue
      }
      const melt = Math.min(lying, MELTS_MM_PER_C * mean)
      lying -= melt
      water.rainMm[day] = rainMm[day]!
      water.meltMm[day] = melt
    }
    lyingMm[roof] = lying
    return water
  })
}
