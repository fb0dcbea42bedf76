import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import type { StepContext } from './step'

/** What the steps are told of the open site. */
export function useStepContext() {
  const store = useSite()
  const results = useResults()
  const { litres, show } = useUnits()
  return computed((): StepContext => {
    const { pools, outlook, roofYear, review, reviewed: isReviewed } = results
    return { site: store.site!, pools, outlook, roofYear, review, isReviewed, litres, show }
  })
}
