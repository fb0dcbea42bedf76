import type { MonthlyRain } from './rainMaker'
import { monthFigures, WET_DAY_MM } from './months'
import { monthOf } from './calendar'

const LEAST_WET_DAYS = 12
const SHAPES = { least: 0.35, most: 4, usual: 0.75 }

/**
 * What the rain maker needs, read off a daily record: each month's mean and wet days, how often a wet day follows a
 * wet one, and the shape of
 * the gamma that its amounts follow (maximum likelihood in the closed form of Thom 1958). A month with too few wet
 * days to tell takes the year's.
 */
export function fitRain(startDay: number, rainMm: ArrayLike<number>): MonthlyRain[] {
  const months = Array.from({ length: 12 }, tally)
  const year = tally()
  for (let index = 0; index < rainMm.length; index++) {
    const excess = rainMm[index]! - WET_DAY_MM
    const month = months[monthOf(startDay + index)]!
    if (index > 0 && rainMm[index - 1]! >= WET_DAY_MM)
      for (const sum of [month, year]) {
        sum.afterWet++
        if (excess >= 0) sum.wetAfterWet++
      }
    if (excess <= 0) continue
    for (const sum of [month, year]) {
      sum.wet++
      sum.rain += excess
      sum.logs += Math.log(excess)
    }
  }
  return monthFigures(startDay, rainMm).map(({ rainMm: monthMm, wetDays }, index) => {
    const own = months[index]!
    return {
      rainMm: monthMm,
      wetDays,
      shape: own.wet >= LEAST_WET_DAYS ? shapeOf(own) : shapeOf(year),
      wetAfterWet:
        own.afterWet >= LEAST_WET_DAYS
          ? own.wetAfterWet / own.afterWet
          : year.afterWet
            ? year.wetAfterWet / year.afterWet
            : undefined,
    }
  })
}

const tally = () => ({ wet: 0, rain: 0, logs: 0, afterWet: 0, wetAfterWet: 0 })

function shapeOf({ wet, rain, logs }: ReturnType<typeof tally>): number {
  if (wet < LEAST_WET_DAYS) return SHAPES.usual
  const spread = Math.log(rain / wet) - logs / wet
  if (!(spread > 1e-6)) return SHAPES.most
  return Math.max(SHAPES.least, Math.min(SHAPES.most, (1 + Math.sqrt(1 + (4 * spread) / 3)) / (4 * spread)))
}
