import { WET_DAY_MM } from './months'
import { dayNumber, monthOf } from './calendar'
import { rainFactor, type Climate, type Site } from '../site'

/**
 * A record as a shifted climate would have brought it: every day's rain by the share of its month, and, where it
 * comes on fewer days, the smallest
 * rains of each month taken away and given to that month's others, so that its total stays.
 */
export function shiftRecord(
  weather: Pick<Site, 'climate' | 'place'>,
  daily: NonNullable<Climate['daily']>,
): Float64Array {
  const rainMm = Float64Array.from(daily.rainMm)
  const { shift } = weather.climate
  if (!shift) return rainMm
  const start = dayNumber(daily.start)
  let from = 0
  for (let index = 0; index <= rainMm.length; index++) {
    if (index < rainMm.length && monthOf(start + index) === monthOf(start + from)) continue
    gather(rainMm.subarray(from, index), shift.fewerDaysShare, rainFactor(weather, monthOf(start + from)))
    from = index
  }
  return rainMm
}

function gather(month: Float64Array, fewerDaysShare: number, factor: number): void {
  const total = month.reduce((sum, rain) => sum + rain, 0)
  const wet = [...month.keys()].filter(day => month[day]! >= WET_DAY_MM).sort((a, b) => month[a]! - month[b]!)
  for (const day of wet.slice(0, Math.round(wet.length * fewerDaysShare))) month[day] = 0
  const left = month.reduce((sum, rain) => sum + rain, 0)
  const scale = left > 0 ? (factor * total) / left : 0
  for (let day = 0; day < month.length; day++) month[day] = month[day]! * scale
}
