import { dayOf, isoDate, yearOf } from './calendar'

export type GapFill = 'other-years' | 'dry'

/** Fills unknown days: with the same date of the nearest year that knows it, or with no rain. */
export function fillGaps(firstDay: number, rainMm: number[], how: GapFill): number[] {
  const lastYear = yearOf(firstDay + rainMm.length - 1)
  const firstYear = yearOf(firstDay)
  return rainMm.map((value, index) => {
    if (!Number.isNaN(value)) return value
    if (how === 'dry') return 0
    const date = isoDate(firstDay + index)
    const year = Number(date.slice(0, 4))
    for (let away = 1; away <= lastYear - firstYear; away++) {
      for (const other of [year - away, year + away]) {
        const day = dayOf(other, Number(date.slice(5, 7)), Math.min(28, Number(date.slice(8, 10))))
        const found = day === undefined ? undefined : rainMm[day - firstDay]
        if (found !== undefined && !Number.isNaN(found)) return found
      }
    }
    return 0
  })
}
