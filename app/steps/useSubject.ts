import { useSelection } from '~/stores/useSelection'
import { findingsOf, type StepDefinition, type StepMark, type Subject } from './step'
import { useStepContext } from './useStepContext'

/** The subject each step was left at. */
const left = reactive<Record<string, string>>({})

/** The subjects of a step, and the one in hand: what is picked anywhere, else where the step was left, else a gap. */
export function useSubject(step: () => StepDefinition) {
  const context = useStepContext()
  const { nodeId, runId, topicId, pickNode, pickTopic } = useSelection()
  const subjects = computed(() => step().subjects?.(context.value) ?? [])
  const marks = computed(
    () =>
      new Map(
        subjects.value.map(subject => [subject.id, findingsOf(subject, step().id, context.value.review)] as const),
      ),
  )
  const picked = computed(() => nodeId.value ?? runId.value)
  const subject = computed((): Subject | undefined => {
    const all = subjects.value
    return (
      all.find(each => each.id === topicId.value && !each.node) ??
      (picked.value === undefined ? undefined : all.find(each => each.holds.includes(picked.value!))) ??
      all.find(each => each.id === left[step().id]) ??
      all.find(each => marks.value.get(each.id)!.length > 0) ??
      all[0]
    )
  })
  watchEffect(() => {
    if (subject.value) left[step().id] = subject.value.id
  })
  function pick(chosen: Subject): void {
    left[step().id] = chosen.id
    if (chosen.node) pickNode(chosen.node)
    else pickTopic(chosen.id)
  }
  const markOf = (of: Subject): StepMark | undefined =>
    of.holds.length ? (marks.value.get(of.id)!.length ? 'gaps' : 'sound') : undefined
  return { subjects, subject, pick, markOf }
}
