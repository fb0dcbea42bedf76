<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { FOLD_PX, type Drawing } from '#core/section'

/** Heights in which nothing stands, folded away behind a torn edge, with the metres left out. */
const props = defineProps<{ drawing: Drawing; shiftPx: number }>()
const { show } = useUnits()
const torn = (y: number) => {
  let path = `M0 ${y}`
  for (let x = 0; x < props.drawing.widthPx; x += 12) path += ` L${x + 6} ${y - 3} L${x + 12} ${y + 3}`
  return path
}
</script>

<template>
  <g v-for="fold in drawing.scale.folds" :key="fold.yPx">
    <path :d="`${torn(fold.yPx - FOLD_PX / 2 + 2)} V${fold.yPx + FOLD_PX / 2 - 2} H0 Z`" class="gap" />
    <path :d="torn(fold.yPx - FOLD_PX / 2 + 2)" class="edge" />
    <path :d="torn(fold.yPx + FOLD_PX / 2 - 2)" class="edge" />
    <text :x="shiftPx + 62" :y="fold.yPx + 4">{{ show(Math.round(fold.metres * 10) / 10, 'length') }} folded away</text>
  </g>
</template>

<style scoped>
.gap {
  fill: var(--sheet);
}
.edge {
  fill: none;
  stroke: var(--earth-line);
  opacity: 0.7;
}
text {
  font: 11px var(--text);
  fill: var(--soft);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
</style>
