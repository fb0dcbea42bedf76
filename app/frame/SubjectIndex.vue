<script setup lang="ts">
import { fewAtATime } from '~/stores/fewAtATime'
import { MARK_WORDS, type StepMark, type Subject } from '~/steps/step'

/** The subjects of a step, a line each with its mark and key figure; arrows walk them. */
const props = defineProps<{
  subjects: Subject[]
  current: Subject | undefined
  markOf: (subject: Subject) => StepMark | undefined
}>()
const emit = defineEmits<{ pick: [subject: Subject] }>()
const list = useTemplateRef('list')
const idOf = ({ id }: Subject) => id
const lines = fewAtATime(
  () => props.subjects,
  idOf,
  () => 20,
)

function walk(by: number): void {
  const at = props.subjects.findIndex(subject => subject.id === props.current?.id)
  const next = props.subjects[at + by]
  if (!next) return
  emit('pick', next)
  void nextTick(() => list.value?.querySelector<HTMLElement>('[aria-current="true"]')?.focus())
}
</script>

<template>
  <nav
    ref="list"
    class="index"
    aria-label="Subjects of this step"
    @keydown.down.prevent="walk(1)"
    @keydown.up.prevent="walk(-1)"
  >
    <button
      v-for="subject in lines"
      :key="subject.id"
      type="button"
      :aria-current="subject.id === current?.id"
      :tabindex="subject.id === current?.id ? 0 : -1"
      :data-subject="subject.id"
      @click="emit('pick', subject)"
    >
      <i :class="markOf(subject)" />
      <span class="name"
        >{{ subject.name }}<span v-if="markOf(subject)" class="unseen">, {{ MARK_WORDS[markOf(subject)!] }}</span></span
      >
      <span class="key">{{ subject.figure }}</span>
    </button>
  </nav>
</template>

<style scoped>
/* What is for screen readers alone stays within. */
.index {
  position: relative;
  border-right: 1px solid var(--hair);
  overflow-y: auto;
  padding: 8px 0;
}
button {
  display: grid;
  grid-template-columns: 10px minmax(0, 1fr) auto;
  gap: 0 10px;
  align-items: baseline;
  width: 100%;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  text-align: left;
  padding: 4px 12px;
  font-size: 14px;
  line-height: 1.35;
  cursor: pointer;
}
button:hover {
  background: color-mix(in srgb, var(--sheet) 60%, transparent);
}
button[aria-current='true'] {
  background: var(--sheet);
  border-left-color: var(--oak);
  font-weight: 650;
}
button:focus-visible {
  outline-offset: -2px;
}
i {
  width: 9px;
  height: 9px;
  border-radius: 50%;
}
i.clear {
  background: var(--moss);
}
/* A moment’s work does not flicker. */
i.working {
  border: 1.5px dotted var(--soft);
  transition:
    background-color 0s 0.6s,
    border-color 0s 0.6s;
}
i.look {
  border: 1.5px solid var(--straw);
  background: linear-gradient(90deg, var(--straw) 50%, transparent 50%);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.key {
  color: var(--soft);
  font-size: 13px;
  font-weight: 400;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
@media (max-width: 700px) {
  .index {
    display: flex;
    overflow-x: auto;
    border-right: 0;
    border-bottom: 1px solid var(--hair);
    padding: 0;
  }
  button {
    width: auto;
    flex: none;
    border-left: 0;
    border-bottom: 3px solid transparent;
    padding: 8px 12px;
    min-height: 44px;
    align-items: center;
  }
  button[aria-current='true'] {
    border-bottom-color: var(--oak);
  }
}
</style>
