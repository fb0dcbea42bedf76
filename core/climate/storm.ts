import { WET_DAY_HOURS } from '../catalog'

/** The steps in which a wet day's rain is split, minutes: as short as a roof takes to bring its water to the spout. */
export const SPLIT_MINUTES = 5
const STEPS = (WET_DAY_HOURS * 60) / SPLIT_MINUTES
const MOST_IN_ONE_STEP = 0.5
const EVERY_YEARS = 5

/** Rain of a day that comes back once in five years: of a shorter series, its wettest day. */
export function fiveYearDayMm(rainMm: Float64Array): number {
  const rank = Math.max(1, Math.round(rainMm.length / 365.25 / EVERY_YEARS))
  return rainMm.toSorted()[rainMm.length - rank] ?? 0
}

/**
 * How a wet day's rain is spread over its hours: the share in each five minutes, hardest first, adding up to one. The
 * hardest t minutes
 * hold (t/T)^m of the day; m is such that the day which comes back once in five years brings the five-minute burst
 * which does.
 */
export function stormSplit(fiveYearDayMm: number, fiveYearBurstMmPerH: number): Float64Array {
  const wanted = fiveYearDayMm > 0 ? (fiveYearBurstMmPerH * SPLIT_MINUTES) / 60 / fiveYearDayMm : 0
  const first = Math.min(MOST_IN_ONE_STEP, Math.max(1 / STEPS, wanted))
  const power = Math.log(first) / Math.log(1 / STEPS)
  return Float64Array.from({ length: STEPS }, (_, step) => ((step + 1) / STEPS) ** power - (step / STEPS) ** power)
}

/**
 * The intensities of a day, mm/h, in the order of the clock: the burst in the middle, the rest laid by turns before
 * and after it.
 */
export function stormOfDay(rainMm: number, split: Float64Array): number[] {
  const inTime: number[] = []
  split.forEach((share, step) => {
    const intensity = (share * rainMm * 60) / SPLIT_MINUTES
    if (step % 2) inTime.unshift(intensity)
    else inTime.push(intensity)
  })
  return inTime
}
