<script setup lang="ts">
import FilePick from './FilePick.vue'
import { useSite } from '~/stores/site'
import { whyNot } from '#core/answers'
import { readPairs, type Column } from '#core/exchange'

/** A table of two columns, typed, pasted or from a CSV: what cannot be read stays, and is told by its line. */
const props = defineProps<{
  label: string
  columns: readonly [Column, Column]
  hint: string
  set: (pairs: [number, number][]) => string | undefined
}>()
const store = useSite()
const open = ref(false)
const text = ref('')
const problem = ref<string>()
function take(): void {
  const read = readPairs(text.value, props.columns, store.system)
  problem.value = read.ok ? props.set(read.pairs) : whyNot(read)
  if (problem.value) return
  text.value = ''
  open.value = false
}
async function fromFile([file]: File[]): Promise<void> {
  if (!file) return
  text.value = await file.text()
  take()
}
</script>

<template>
  <span class="pairs">
    <button type="button" class="plain small" :aria-expanded="open" @click="open = !open">{{ label }}</button>
    <span v-if="open" class="form">
      <textarea v-model="text" rows="4" :aria-label="label" :placeholder="hint" @keydown.ctrl.enter="take" />
      <span class="row">
        <button type="button" class="move" @click="take">Take them</button>
        <FilePick accept=".csv,.txt" @files="fromFile">From a CSV</FilePick>
      </span>
      <span v-if="problem" role="alert" class="wrong small">{{ problem }}</span>
    </span>
  </span>
</template>

<style scoped>
.form {
  display: grid;
  gap: 6px;
  max-width: 360px;
  margin: 4px 0 8px;
}
textarea {
  font: inherit;
  padding: 6px 8px;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--hair);
  border-radius: 3px;
}
.row {
  display: flex;
  gap: 8px;
}
.wrong {
  color: var(--rust);
}
</style>
