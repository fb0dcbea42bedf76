<script setup lang="ts">
import { usePrinting } from '~/print/printNotes'

/**
 * A group of notes that folds, with what it comes to in its head. It opens by itself where something is found in it;
 * whether a person opened or shut it is kept for as long as they are here.
 */
const props = defineProps<{ id: string; title: string; summary?: string; found?: boolean; open?: boolean }>()
const wished = useState<Record<string, boolean>>('folds', () => ({}))
const printing = usePrinting()
const shown = computed(() => printing.value || (wished.value[props.id] ?? (props.found || props.open || false)))
const toggle = () => (wished.value = { ...wished.value, [props.id]: !shown.value })
const body = useId()
</script>

<template>
  <section class="fold" :class="{ found }" :data-fold="id">
    <h3>
      <button type="button" :aria-expanded="shown" :aria-controls="body" @click="toggle">
        <span class="title">{{ title }}</span>
        <span class="summary">{{ summary }}</span>
        <span class="sign" aria-hidden="true">{{ shown ? '▾' : '▸' }}</span>
      </button>
    </h3>
    <div v-if="shown" :id="body" class="body"><slot /></div>
  </section>
</template>

<style scoped>
.fold {
  display: flow-root;
  border-top: 1px solid var(--hair);
}
button {
  display: flex;
  gap: 10px;
  align-items: baseline;
  width: 100%;
  padding: 6px 0;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
}
.title {
  font: 650 15px var(--heading);
  white-space: nowrap;
}
.summary {
  font: 400 13.5px var(--text);
  letter-spacing: 0;
  color: var(--soft);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  min-width: 0;
}
.sign {
  margin-left: auto;
  color: var(--oak);
}
.found .title::after {
  content: '';
  display: inline-block;
  width: 7px;
  height: 7px;
  margin-left: 7px;
  border-radius: 50%;
  background: var(--straw);
}
.body {
  padding-bottom: 6px;
}
</style>
