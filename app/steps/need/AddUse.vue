<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { moveOf } from '#core/moves'
import { USE_PRESET_IDS, USE_PRESETS, type UsePresetId } from '#core/catalog'

/** One more thing that the water is for. */
const store = useSite()
const { pickNode } = useSelection()
const adding = ref<UsePresetId>('beds')
const presets = USE_PRESET_IDS.map(id => ({ value: id, name: USE_PRESETS[id].name }))
function add(): void {
  if (!store.make(moveOf('addUse', { preset: adding.value }))) pickNode(store.site!.uses.at(-1)!.at)
}
</script>

<template>
  <div>
    <h2>Another use</h2>
    <p v-if="!store.site!.uses.length" class="soft">
      Nothing draws water yet. Say what it is for, and the year shows whether it lasts.
    </p>
    <p class="moves">
      <ChoiceField label="Kind of use to add" :value="adding" :choices="presets" :set="id => (adding = id)" />
      <button type="button" class="move" @click="add">Add this use</button>
    </p>
  </div>
</template>
