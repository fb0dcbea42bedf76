import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useYearName } from '~/stores/useYearName'
import type { StepContext } from './step'

/** What the steps are told of the open site. */
export function useStepContext() {
  const store = useSite()
  const results = useResults()
  const { litres, show } = useUnits()
  const yearName = useYearName()
  return computed((): StepContext => {
    const { outlook, year, choice, roofYear, review } = results
    const named = typeof choice === 'number' && year ? yearName(results.yearIndex, year) : ''
    const which = choice === 'typical' ? 'usual year' : choice === 'worst' ? 'worst year' : named
    return { site: store.site!, outlook, year, which, roofYear, review, litres, show }
  })
}
