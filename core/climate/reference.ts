import { mean } from 'd3-array'
import type { DailySeries } from './series'
import { monthWarmth, type Site } from '../site'

/** Years that stand for others, as indices into the years of a series. */
export interface ReferenceYears {
  dry: number
  middle: number
  wet: number
}

/** How far from either end of the ranked years the dry and the wet one lie. */
const FROM_THE_END = 0.1

/** A day draws so much of the mean day's rain; half of it goes with what the month evaporates. */
const [DRAWN_SHARE, EVEN_SHARE] = [0.8, 0.5]

/**
 * The drought of each year of a series, mm: the sequent peak of a fixed draw on its rain (deficit = what was wanting the
 * day before + draw − rain, never under nothing), begun at nothing a year before.
 */
export function droughtsMm(weather: Pick<Site, 'climate' | 'place'>, series: DailySeries): number[] {
  const { et0MmPerDay } = monthWarmth(weather)
  const meanMm = (mean(series.rainMm) ?? 0) * DRAWN_SHARE
  const meanEt0Mm = mean(et0MmPerDay) || 1
  const drawMm = et0MmPerDay.map(et0Mm => meanMm * (EVEN_SHARE + ((1 - EVEN_SHARE) * et0Mm) / meanEt0Mm))
  return series.years.map(({ from, to }, index) => {
    let [wantingMm, mostMm] = [0, 0]
    for (let day = series.years[index - 1]?.from ?? from; day < to; day++) {
      wantingMm = Math.max(0, wantingMm + drawMm[series.month[day]!]! - series.rainMm[day]!)
      if (day >= from && wantingMm > mostMm) mostMm = wantingMm
    }
    return mostMm
  })
}

/**
 * A dry, a middling and a wet year of a series, by their droughts. They are chosen by the weather alone, so that they
 * stay while the plan changes.
 */
export function referenceYears(weather: Pick<Site, 'climate' | 'place'>, series: DailySeries): ReferenceYears {
  const droughts = droughtsMm(weather, series)
  const ranked = [...droughts.keys()].sort((a, b) => droughts[b]! - droughts[a]!)
  const at = (share: number) => ranked[Math.round(share * (ranked.length - 1))]!
  return { dry: at(FROM_THE_END), middle: at(0.5), wet: at(1 - FROM_THE_END) }
}
