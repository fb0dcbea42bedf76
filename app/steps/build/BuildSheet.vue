<script setup lang="ts">
import ChainNotes from './ChainNotes.vue'
import CutsNotes from './CutsNotes.vue'
import FinderNotes from './FinderNotes.vue'
import GateNotes from './GateNotes.vue'
import HolesNotes from './HolesNotes.vue'
import OrderNotes from './OrderNotes.vue'
import PartsNotes from './PartsNotes.vue'
import ReportNotes from './ReportNotes.vue'
import StagesNotes from './StagesNotes.vue'
import WorkingOut from '~/fields/WorkingOut.vue'
import { buildFor } from './describe'
import { useSite } from '~/stores/site'
import type { Component } from 'vue'
import type { Subject } from '~/steps/step'

/** From a plan to a thing that stands: what to buy, to cut and to drill, in which order, and what must not be forgotten. */
defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const made = computed(() => buildFor(store.site!) !== undefined)
const NOTES: Record<string, Component> = {
  gate: GateNotes,
  order: OrderNotes,
  finder: FinderNotes,
  chain: ChainNotes,
  parts: PartsNotes,
  cuts: CutsNotes,
  holes: HolesNotes,
  stages: StagesNotes,
  report: ReportNotes,
}
</script>

<template>
  <div class="build">
    <component :is="NOTES[subject.id]" v-if="made && subject && NOTES[subject.id]" />
    <WorkingOut v-else-if="store.site!.nodes.length" what="what there is to buy, to cut and to do" />
    <p v-else class="soft">Nothing to build yet. Add a roof at Catch and a tank at Store.</p>
  </div>
</template>

<style scoped>
.build :deep(.wrong:not(.quantity)) {
  color: var(--rust);
}
.build :deep(table) {
  border-collapse: collapse;
  font-size: 14px;
}
.build :deep(td),
.build :deep(th) {
  padding: 3px 10px 3px 0;
  text-align: left;
  vertical-align: baseline;
  border-bottom: 1px dotted var(--hair);
}
.build :deep(td.number) {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.build :deep(.wide) {
  overflow-x: auto;
}
</style>
