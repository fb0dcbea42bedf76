import { MONTH_DAYS } from './calendar'
import type { DailySeries } from './series'
import { monthWarmth, weatherMonths, type Site } from '../site'

/** Years that stand for others, as indices into the years of a series. */
export interface ReferenceYears {
  dry: number
  middle: number
  wet: number
}

/** How far from either end of the ranked years the dry and the wet one lie. */
const FROM_THE_END = 0.1

/** The six months (0–11) in which a lawn asks most over what the rain gives it, in the climate's mean year. */
export function dryHalf(weather: Pick<Site, 'climate' | 'place'>): number[] {
  const { et0MmPerDay } = monthWarmth(weather)
  const overMm = weatherMonths(weather).map(({ rainMm }, month) => et0MmPerDay[month]! * MONTH_DAYS[month]! - rainMm)
  return [...overMm.keys()].sort((a, b) => overMm[b]! - overMm[a]!).slice(0, 6)
}

/**
 * A dry, a middling and a wet year of a series, by the rain of the dry half of the year. They are chosen by the
 * weather alone, so that they stay while the plan changes.
 */
export function referenceYears(weather: Pick<Site, 'climate' | 'place'>, series: DailySeries): ReferenceYears {
  const months = new Set(dryHalf(weather))
  const ranked = series.years
    .map(({ from, to }, index) => {
      let rainMm = 0
      for (let day = from; day < to; day++) if (months.has(series.month[day]!)) rainMm += series.rainMm[day]!
      return { index, rainMm }
    })
    .sort((a, b) => a.rainMm - b.rainMm)
  const at = (share: number) => ranked[Math.round(share * (ranked.length - 1))]!.index
  return { dry: at(FROM_THE_END), middle: at(0.5), wet: at(1 - FROM_THE_END) }
}
