import { weatherSeries, type DailySeries } from '../climate'
import type { Site } from '../site'
import { catchRain } from './catch'
import { compile, type Compiled } from './compile'
import { engineOf } from './engine'

export interface CatchInYear { roofId: string, spoutId: string, runoffL: number, overGutterL: number, bypassedL: number, screenedL: number }
export interface ChamberInYear { id: string, emptiedL: number, outletL: number }
/** What becomes of the roofs' water in a mean year of a series, before it reaches a tank. Shares of roofs that lead to no tank are left out. */
export interface CatchYear { catches: CatchInYear[], chambers: ChamberInYear[] }

const DAYS_A_YEAR = 365.25

/** The mean year of a site's roofs, gutters, screens and chambers, over its own weather. */
export function catchYear(site: Site): CatchYear {
  const known = years.get(site)
  if (known) return known
  const year = meanCatch(site, compile(site), weatherSeries(site))
  years.set(site, year)
  return year
}
/** A document never changes once made; findings and sheets ask for the same year. */
const years = new WeakMap<Site, CatchYear>()

function meanCatch(site: Site, compiled: Compiled, series: DailySeries): CatchYear {
  const days = series.rainMm.length
  const engine = engineOf(compiled)
  const run = catchRain(engine, series, days, new Float64Array(engine.chambers))
  const aYear = <Totals extends object>(totals: Totals) => Object.fromEntries(Object.entries(totals).map(([name, litres]) => [name, litres / days * DAYS_A_YEAR])) as Totals
  return {
    catches: compiled.caught.filter(entry => entry.pool >= 0).map(({ roof, spoutId }, index) => ({ roofId: site.roofs[roof]!.id, spoutId, ...aYear(run.catches[index]!) })),
    chambers: compiled.chambers.map(({ id }, index) => ({ id, ...aYear(run.chambers[index]!) })),
  }
}
