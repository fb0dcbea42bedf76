import { packUses, type UsesByYear } from './usesByYear'
import { roofYearOf, yearsAhead, type CatchYear, type Outlook } from '../balance'
import { weatherSeries } from '../climate'
import type { Site } from '../site'

/** The years of a plan as they are handed over: its long columns as copies of their own. */
export interface YearsPacked extends Outlook {
  rainMm: Float64Array
  usesByYear: UsesByYear
  roofYear: CatchYear
}

const copied = <Run extends object>(run: Run): Run =>
  Object.fromEntries(
    Object.entries(run).map(([name, value]) => [name, value instanceof Float64Array ? value.slice() : value]),
  ) as Run

/** The years of a plan, its uses packed into one column: many thousand small objects would hold whoever takes them. */
export function yearsPacked(site: Site): YearsPacked {
  const outlook = yearsAhead(site)
  // Nobody asks about a use or a bed by day.
  const none = { bedsL: new Float64Array(), shortByUseL: new Float64Array(), rationedByUseL: new Float64Array() }
  return {
    ...outlook,
    years: outlook.years.map(year => ({ ...year, uses: [] })),
    run: copied({ ...outlook.run, ...none }),
    rainMm: weatherSeries(site).rainMm.slice(),
    usesByYear: packUses(outlook.years),
    roofYear: roofYearOf(site),
  }
}
