<script setup lang="ts">
import ThingField from '~/fields/ThingField.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useThing } from '~/fields/useThing'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { graphOf, runName } from '#core/site'
import { PART_KINDS } from '#core/kinds'
/** The part of the picked run that is in hand, walked with [ and ]. */
const store = useSite()
const { runId, partId, pickRun } = useSelection()
const run = computed(() => (runId.value === undefined ? undefined : graphOf(store.site!).run(runId.value)))
const place = computed(() => run.value?.parts.findIndex(candidate => candidate.id === partId.value) ?? -1)
const part = computed(() => run.value?.parts[place.value] ?? run.value?.parts[0])
const set = useThing('part', () => part.value!.id)
function walk(by: number): void {
  const { parts } = run.value!
  partId.value = parts[(Math.max(0, place.value) + by + parts.length) % Math.max(1, parts.length)]?.id
}
const OPEN = [
  { value: true, name: 'open' },
  { value: false, name: 'shut' },
]
</script>

<template>
  <div v-if="run" class="bar">
    <b>{{ runName(store.site!, run) }}</b>
    <template v-if="part">
      <button type="button" class="plain" aria-label="Part before" @click="walk(-1)"><kbd>[</kbd></button>
      <span aria-live="polite"
        >{{ Math.max(0, place) + 1 }} of {{ run.parts.length }}: {{ PART_KINDS[part.kind].name }}</span
      >
      <template v-if="part.kind === 'valve'"
        >, <ChoiceField label="Valve" :value="part.open" :choices="OPEN" :set="set('open')"
      /></template>
      <template v-if="part.kind === 'pipe'"
        >, <ThingField :id="part.id" of="part" name="lengthM" label="Length of the pipe" /> of
        <ThingField :id="part.id" of="part" name="innerDiameterMm" label="Bore of the pipe"
      /></template>
      <template v-if="part.kind === 'pump'"
        >, <ThingField :id="part.id" of="part" name="flowLps" label="Flow of the pump" /> against
        <ThingField :id="part.id" of="part" name="headM" label="Head of the pump"
      /></template>
      <template v-if="part.kind === 'screen'"
        >, mesh <ThingField :id="part.id" of="part" name="meshMm" label="Mesh of the screen"
      /></template>
      <button type="button" class="plain" aria-label="Part after" @click="walk(1)"><kbd>]</kbd></button>
    </template>
    <span v-else class="soft">nothing is fitted in it</span>
    <button type="button" class="plain done" @click="pickRun(undefined)">Done</button>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: baseline;
  border-bottom: 1px solid var(--hair);
  padding-bottom: 8px;
  margin-bottom: 10px;
  font-size: 14.5px;
}
.done {
  margin-left: auto;
}
</style>
