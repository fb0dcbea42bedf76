<script setup lang="ts">
import { moveOf } from '#core/site'

/** The part of the picked run that is in hand, walked with [ and ]. */
const open = useSite()
const { runId, partIndex, pickRun } = useSelection()
const run = computed(() => open.site!.runs.find(candidate => candidate.id === runId.value))
const runIndex = computed(() => open.site!.runs.findIndex(candidate => candidate.id === runId.value))
const part = computed(() => run.value?.parts[partIndex.value])
const path = computed(() => ['runs', runIndex.value, 'parts', partIndex.value])
const set = (field: string) => (value: unknown) => open.make(moveOf('change', { path: [...path.value, field], value }))
const walk = (by: number) => partIndex.value = (partIndex.value + by + run.value!.parts.length) % Math.max(1, run.value!.parts.length)
const OPEN = [{ value: true, name: 'open' }, { value: false, name: 'shut' }]
const WORDS: Record<string, string> = { check: 'check valve', float: 'float valve', lamp: 'ultraviolet lamp' }
</script>

<template>
  <div v-if="run" class="bar">
    <b>{{ run.name }}</b>
    <template v-if="part">
      <button type="button" class="plain" aria-label="Part before" @click="walk(-1)"><kbd>[</kbd></button>
      <span aria-live="polite">{{ partIndex + 1 }} of {{ run.parts.length }}: {{ WORDS[part.kind] ?? part.kind }}</span>
      <template v-if="part.kind === 'valve'">, <ChoiceField label="Valve" :value="part.open" :choices="OPEN" :set="set('open')" /></template>
      <template v-if="part.kind === 'pipe'">, <QuantityField label="Length of the pipe" kind="length" :value="part.lengthM" :set="set('lengthM')" /> of <QuantityField label="Bore of the pipe" kind="bore" :value="part.innerDiameterMm" :set="set('innerDiameterMm')" /></template>
      <template v-if="part.kind === 'pump'">, <QuantityField label="Flow of the pump" kind="flow" :value="part.flowLps" :set="set('flowLps')" /> against <QuantityField label="Head of the pump" kind="length" :value="part.headM" :set="set('headM')" /></template>
      <template v-if="part.kind === 'screen'">, mesh <QuantityField label="Mesh of the screen" kind="bore" :value="part.meshMm" :set="set('meshMm')" /></template>
      <button type="button" class="plain" aria-label="Part after" @click="walk(1)"><kbd>]</kbd></button>
    </template>
    <span v-else class="soft">nothing is fitted in it</span>
    <button type="button" class="plain done" @click="pickRun(undefined)">Done</button>
  </div>
</template>

<style scoped>
.bar { display: flex; flex-wrap: wrap; gap: 4px 8px; align-items: baseline; border-bottom: 1px solid var(--hair); padding-bottom: 8px; margin-bottom: 10px; font-size: 14.5px; }
.done { margin-left: auto; }
</style>
