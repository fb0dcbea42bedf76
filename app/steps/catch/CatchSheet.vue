<script setup lang="ts">
import ClimateBlock from './ClimateBlock.vue'
import LossSchools from './LossSchools.vue'
import RoofNotes from './RoofNotes.vue'
import type { Subject } from '~/steps/step'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { moveOf } from '#core/moves'

/** What the roofs and the weather give, and what gutters and spouts make of it: one of them at a time. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const { pickNode } = useSelection()
const roof = computed(() => store.site!.roofs.find(each => each.id === props.subject?.id))
function addRoof(): void {
  const name = `Roof ${store.site!.roofs.length + 1}`
  if (!store.make(moveOf('addRoof', { name, lengthM: 6, widthM: 4, material: 'steel' })))
    pickNode(store.site!.roofs.at(-1)!.id)
}
</script>

<template>
  <RoofNotes v-if="roof" :key="roof.id" :roof="roof" />
  <ClimateBlock v-else-if="subject?.id === 'weather'" />
  <LossSchools v-else-if="subject?.id === 'losses'" />
  <div v-else>
    <h2>Another roof</h2>
    <p v-if="!store.site!.roofs.length" class="soft">
      No roof yet. Add the first: its footprint seen from above, eaves included, is what counts.
    </p>
    <div class="moves"><button type="button" class="move" @click="addRoof">Add a roof</button></div>
  </div>
</template>
