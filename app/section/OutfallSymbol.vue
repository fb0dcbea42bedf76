<script setup lang="ts">
import { placed } from '~/section/drawn'
import type { Slot } from '#core/section'
import type { NodeOf } from '#core/kinds'

/** Where spilled water goes. */
const props = defineProps<{ outfall: NodeOf<'outfall'>; slotPlace: Slot }>()
const at = placed(({ scale }) => ({
  x: props.slotPlace.x + props.slotPlace.width / 2,
  y: scale.y(props.outfall.baseM),
}))
</script>

<template>
  <g>
    <path :d="`M${at.x - 15} ${at.y - 1} q15 13 30 0`" />
    <path :d="`M${at.x - 10} ${at.y + 2} q10 7 20 0 z`" class="wet" />
  </g>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--line-spill);
  stroke-width: 1.6;
}
.wet {
  fill: var(--line-spill);
  stroke: none;
  opacity: 0.5;
}
</style>
