import { extent, median } from 'd3-array'
import type { Outlook, YearFigures } from './year'

/** A figure over the years of a plan: the middle one, and from the least to the most. */
export interface OverYears {
  middle: number
  least: number
  most: number
}

export function overYears({ years }: Pick<Outlook, 'years'>, of: (year: YearFigures) => number): OverYears {
  const figures = years.map(of)
  const [least = 0, most = 0] = extent(figures)
  return { middle: median(figures) ?? 0, least, most }
}

/** A year is like the others while no more than this share of them goes short on fewer days, or on more. */
const LIKE_SHARE = 0.75

/** Whether a year goes short on more days than most years of the plan, or on fewer; undefined where it is like them. */
export function unlikeYears({ years }: Pick<Outlook, 'years'>, index: number): 'more' | 'fewer' | undefined {
  const days = years[index]?.shortDays
  if (days === undefined) return undefined
  const share = (test: (other: number) => boolean) => years.filter(year => test(year.shortDays)).length / years.length
  if (share(other => other < days) > LIKE_SHARE) return 'more'
  return share(other => other > days) > LIKE_SHARE ? 'fewer' : undefined
}
