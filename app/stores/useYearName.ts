import { useResults } from '~/stores/results'
import type { YearFigures } from '#core/balance'

/** How a year of the series is called: by its number in a record, by its place among made-up ones. */
export function useYearName() {
  const results = useResults()
  return (index: number, year: YearFigures) => (results.outlook?.made ? `made-up year ${index + 1}` : String(year.year))
}
