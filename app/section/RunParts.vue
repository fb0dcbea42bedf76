<script setup lang="ts">
import PartSymbol from '~/section/PartSymbol.vue'
import { useShown } from '~/section/shown'
import { useSelection } from '~/stores/useSelection'
import type { SeenRoute } from '#core/section'
import { PART_KINDS } from '#core/kinds'

/** The parts of a run, above all lines, so that none is crossed out. Those of the picked run are walked with Tab too. */
defineProps<{ route: SeenRoute; selected: boolean }>()
const { pickRun, partId } = useSelection()
const shown = useShown()
</script>

<template>
  <g
    v-for="part in route.parts"
    :key="part.id"
    class="part"
    role="button"
    :data-part="part.id"
    :tabindex="selected ? 0 : -1"
    :aria-label="`${PART_KINDS[part.kind].name} of ${route.name}`"
    :aria-pressed="selected && partId === part.id"
    @click.stop="pickRun(route.runId, part.id)"
    @keydown.enter="pickRun(route.runId, part.id)"
  >
    <PartSymbol
      :part="part"
      :selected="selected && partId === part.id"
      :runs="shown.pumps?.[route.runId]"
      :float-up="shown.floatsShut?.includes(route.runId)"
    />
  </g>
</template>

<style scoped>
.part {
  cursor: pointer;
  outline-offset: 2px;
}
</style>
