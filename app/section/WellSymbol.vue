<script setup lang="ts">
import { placed } from '~/section/drawn'
import type { Slot } from '#core/section'
import type { NodeOf } from '#core/kinds'

/** A well: its shaft, and the height at which water stands in it. */
const props = defineProps<{ well: NodeOf<'well'>; slotPlace: Slot }>()
const box = placed(({ scale, heightPx }) => {
  const { well, slotPlace } = props
  return {
    middle: slotPlace.x + slotPlace.width / 2,
    top: scale.y(well.groundM),
    water: scale.y(well.groundM - well.stillWaterDepthM),
    foot: Math.min(heightPx, scale.y(well.baseM)),
  }
})
</script>

<template>
  <g>
    <rect :x="box.middle - 6" :y="box.top - 7" width="12" :height="Math.max(8, box.foot - box.top + 7)" class="shaft" />
    <rect :x="box.middle - 5" :y="box.water" width="10" :height="Math.max(0, box.foot - box.water)" class="water" />
    <path :d="`M${box.middle - 9} ${box.top - 7} h18`" class="lid" />
  </g>
</template>

<style scoped>
.shaft {
  fill: var(--sheet);
  stroke: var(--line-well);
  stroke-width: 1.5;
}
.water {
  fill: var(--line-well);
  opacity: 0.6;
}
.lid {
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
