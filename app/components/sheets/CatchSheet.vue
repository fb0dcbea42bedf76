<script setup lang="ts">
import { moveOf } from '#core/site'

/** What the roofs and the weather give, and what gutters and spouts make of it. */
const open = useSite()
const addRoof = () => open.make(moveOf('addRoof', { name: `Roof ${open.site!.roofs.length + 1}`, lengthM: 6, widthM: 4, material: 'steel' }))
</script>

<template>
  <div>
    <h2>What the roofs give</h2>
    <p v-if="!open.site!.roofs.length" class="soft">No roof yet. Add the first: its footprint seen from above, eaves included, is what counts.</p>
    <RoofNotes v-for="(roof, index) in open.site!.roofs" :key="roof.id" :roof="roof" :index="index" />
    <div class="moves"><button type="button" class="move" @click="addRoof">Add a roof</button></div>
    <LossSchools v-if="open.site!.roofs.length" />
    <ClimateBlock />
  </div>
</template>
