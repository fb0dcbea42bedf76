import type { Compiled } from './compiled'
import { roofColumns } from './columns'
import { bareRoofs, catchRain, type CatchTotals, type ChamberTotals } from './catch'
import { DAYS_A_YEAR, type DailySeries } from '../climate'

export type CatchInYear = CatchTotals & { roofId: string; spoutId: string }
export type ChamberInYear = ChamberTotals & { id: string }
/**
 * What becomes of the roofs' water in a mean year of a series, before it reaches a tank. Shares of roofs that lead to
 * no tank are left out.
 */
export interface CatchYear {
  catches: CatchInYear[]
  chambers: ChamberInYear[]
}

/** The mean year of a site's roofs, gutters, screens and chambers, over the days of a series. */
export function catchYear(compiled: Compiled, series: DailySeries): CatchYear {
  const caught = compiled.caught.filter(entry => entry.pool >= 0)
  // Most edits leave the roofs' water as it was; then the last answer over the same weather holds.
  const key = JSON.stringify([caught, compiled.chambers])
  let last = lastOver.get(series)
  if (last?.key !== key) lastOver.set(series, (last = { key, ...meanCatch(compiled, series) }))
  return {
    catches: caught.map(({ roofId, spoutId }, index) => ({ roofId, spoutId, ...last.catches[index]! })),
    chambers: compiled.chambers.map(({ id }, index) => ({ id, ...last.chambers[index]! })),
  }
}

interface MeanCatch {
  catches: CatchTotals[]
  chambers: ChamberTotals[]
}
const lastOver = new WeakMap<DailySeries, MeanCatch & { key: string }>()

function meanCatch(compiled: Compiled, series: DailySeries): MeanCatch {
  const days = series.rainMm.length
  const roofs = roofColumns(compiled)
  const run = catchRain(roofs, series, days, bareRoofs(roofs))
  const aYear = <Totals extends object>(totals: Totals) =>
    Object.fromEntries(Object.entries(totals).map(([name, litres]) => [name, (litres / days) * DAYS_A_YEAR])) as Totals
  return { catches: run.catches.map(aYear), chambers: run.chambers.map(aYear) }
}
