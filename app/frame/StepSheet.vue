<script setup lang="ts">
import SubjectIndex from './SubjectIndex.vue'
import { nextTask } from '~/engine/nextTask'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import type { StepDefinition } from '~/steps/step'
import { useSubject } from '~/steps/useSubject'

/** The Sheet: the step in hand, one subject at a time, with the index of its subjects at the left. */
const props = defineProps<{ step: StepDefinition }>()
const store = useSite()
const { runId } = useSelection()
const PartBar = defineAsyncComponent(() => import('~/section/PartBar.vue'))
const TrialBar = defineAsyncComponent(() => import('./TrialBar.vue'))
const { subjects, subject, pick, markOf } = useSubject(() => props.step)
const notes = useTemplateRef('notes')
/** The notes come after the index, in a task of their own. */
const opened = ref(false)
watch(
  () => props.step.id,
  async () => {
    opened.value = false
    await nextTask()
    opened.value = true
  },
  { immediate: true },
)
// Two sources, not one list of them, which would be another list after every edit.
watch([() => props.step.id, () => subject.value?.id], () => notes.value?.scrollTo({ top: 0 }))
</script>

<template>
  <section class="sheet" :aria-label="`The Sheet: ${step.name}`">
    <SubjectIndex :subjects="subjects" :current="subject" :mark-of="markOf" @pick="pick" />
    <div ref="notes" class="notes" :data-of="subject?.id">
      <TrialBar v-if="store.trialFrom !== undefined" />
      <PartBar v-if="runId !== undefined && !step.partByPart" />
      <component :is="step.sheet" v-if="opened" :key="step.id" :subject="subject" />
    </div>
  </section>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: 212px minmax(0, 1fr);
  min-width: 0;
  overflow: hidden;
}
.notes {
  overflow-y: auto;
  padding: 10px 20px 16px;
  min-width: 0;
  position: relative;
}
@media (min-width: 701px) {
  .sheet > * {
    contain: strict;
  }
}
@media (max-width: 980px) and (min-width: 701px) {
  .sheet {
    grid-template-columns: 168px minmax(0, 1fr);
  }
}
@media (max-width: 700px) {
  .sheet {
    display: block;
    overflow: visible;
  }
  .notes {
    overflow: visible;
    padding: 12px;
  }
}
</style>
