<script setup lang="ts">
import { USE_PRESET_IDS, USE_PRESETS, type UsePresetId } from '#core/catalog'
import { moveOf } from '#core/site'

/** What the water is for. */
const open = useSite()
const adding = ref<UsePresetId>('beds')
const presets = USE_PRESET_IDS.map(id => ({ value: id, name: USE_PRESETS[id].name }))
const add = () => open.make(moveOf('addUse', { preset: adding.value }))
</script>

<template>
  <div>
    <h2>What the water is for</h2>
    <p v-if="!open.site!.uses.length" class="soft">Nothing draws water yet. Say what it is for, and the year shows whether it lasts.</p>
    <UseNotes v-for="(use, index) in open.site!.uses" :key="use.id" :use="use" :index="index" />
    <div class="moves">
      <ChoiceField label="Kind of use to add" :value="adding" :choices="presets" :set="id => adding = id" />
      <button type="button" class="move" @click="add">Add this use</button>
    </div>
    <template v-if="open.site!.uses.length">
      <h2>Asked against given, by month</h2>
      <NeedPicture />
      <p class="small soft">The amounts are starting points from the catalog; habits differ, and a month with a meter beats them. How many taps run at once decides the pump, not this total.</p>
    </template>
    <ReserveNotes />
  </div>
</template>

<style scoped>
h2 { margin: 10px 0 4px; }
h2:first-child { margin-top: 0; }
</style>
