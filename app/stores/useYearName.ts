import { useResults } from '~/stores/results'
import { unlikeYears, type YearFigures } from '#core/balance'
import type { ReferenceYears } from '#core/climate'

const FOR_RAIN: Record<keyof ReferenceYears, string> = { dry: 'dry', middle: 'middling', wet: 'wet' }

/** How a year of the series is called: by its number in a record, by its place among made-up ones, and by its rain. */
export function useYearName() {
  const results = useResults()
  const number = (index: number, year: YearFigures) =>
    results.outlook?.made ? `made-up year ${index + 1}` : String(year.year)
  const name = (index: number, year: YearFigures) => {
    const { outlook } = results
    const [stands] = Object.entries(outlook?.reference ?? {}).find(([, at]) => at === index) ?? []
    const said = number(index, year)
    if (!stands || outlook!.years.length < 2) return said
    const unlike = unlikeYears(outlook!, index)
    const beside = unlike ? `, though this plan goes short on ${unlike} days in it than in most years` : ''
    return `${said}, a ${FOR_RAIN[stands as keyof ReferenceYears]} year for rain${beside}`
  }
  return { number, name }
}
