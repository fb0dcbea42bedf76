import { useResults } from '~/stores/results'
import type { CheckId } from '#core/review'
import { findingsOf, type StepId, type Subject } from './step'

/** Whether any of some checks found something of a subject, or of one thing that it holds. */
export function useFound(step: StepId, subject: () => Subject | undefined) {
  const results = useResults()
  const found = computed(() => {
    const about = subject()
    return about ? findingsOf(about, step, results.review) : []
  })
  return (checks: readonly CheckId[], thing?: string) =>
    found.value.some(({ check, subject: { id } }) => checks.some(each => each === check) && (!thing || id === thing))
}
