import { writeTable } from './table'
import { isoDate } from '../climate'
import type { Outlook, YearFigures } from '../balance'

/**
 * A year of the balance as a table of days, CSV: rain in mm, the rest in litres to the millilitre. What was asked is
 * what was met, rationed and short together.
 */
export function daysTable(
  { startDay, run, rainMm }: Outlook & { rainMm: ArrayLike<number> },
  { from, to }: Pick<YearFigures, 'from' | 'to'>,
): string {
  const round = (value: number) => Math.round(value * 1000) / 1000
  const rows = Array.from({ length: to - from }, (_, offset) => {
    const day = from + offset
    return {
      date: isoDate(startDay + day),
      rain_mm: round(rainMm[day]!),
      held_L: round(run.storedL[day]!),
      asked_L: round(run.askedL[day]!),
      met_L: round(run.askedL[day]! - run.rationedL[day]! - run.shortL[day]!),
      rationed_L: round(run.rationedL[day]!),
      short_L: round(run.shortL[day]!),
      caught_L: round(run.caughtL[day]!),
      first_flush_L: round(run.flushedL[day]!),
      well_L: round(run.wellL[day]!),
      main_L: round(run.mainL[day]!),
      cart_L: round(run.cartL[day]!),
      spilled_L: round(run.spilledL[day]!),
    }
  })
  return writeTable(rows)
}
