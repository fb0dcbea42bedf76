import { effect } from 'vue'
import { isLarge, sameThings } from '~/engine/large'
import { nextTask } from '~/engine/nextTask'
import { useSelection } from '~/stores/useSelection'
import type { Site } from '#core/site'
import { findingsOf, markFor, type StepContext, type StepDefinition, type StepMark, type Subject } from './step'
import { useStepContext } from './useStepContext'

/** Where nothing was put into these or taken out, the subjects are the same ones. */
const TOLD_OF = ['nodes', 'runs', 'roofs', 'uses', 'options'] as const

/**
 * The subjects of a step. In a large site their key figures follow an edit in a task of their own, after what was typed
 * is shown; what is put in or taken out is listed at once.
 */
function useSubjects(step: () => StepDefinition, context: ComputedRef<StepContext>): Readonly<Ref<Subject[]>> {
  const made = shallowRef<Subject[]>([])
  let from: { site: Site | undefined; step: StepDefinition }
  let waits = false
  const make = effect(
    () => {
      from = { site: context.value.site, step: step() }
      made.value = (from.site && from.step.subjects?.(context.value)) ?? []
    },
    {
      scheduler() {
        const { site } = context.value
        if (!site || !from.site || !isLarge(site) || from.step !== step() || !sameThings(from.site, site, TOLD_OF))
          return void make()
        if (waits) return
        waits = true
        void nextTask().then(() => {
          waits = false
          make()
        })
      },
    },
  )
  onScopeDispose(() => make.effect.stop())
  return made
}

/** The subject each step was left at. */
const left = reactive<Record<string, string>>({})

/** The subjects of a step, and the one in hand: what is picked anywhere, else where the step was left, else a gap. */
export function useSubject(step: () => StepDefinition) {
  const context = useStepContext()
  const { nodeId, runId, topicId, pickNode, pickTopic } = useSelection()
  const subjects = useSubjects(step, context)
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
    of.holds.length || of.isOpen !== undefined
      ? markFor(marks.value.get(of.id)!, of.isOpen ?? false, context.value.isReviewed)
      : undefined
  return { subjects, subject, pick, markOf }
}
