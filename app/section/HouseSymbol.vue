<script setup lang="ts">
import type { Drawing, Slot } from '#core/section'

/** The faint outline of the building that a group of taps hangs in. */
const props = defineProps<{ slotPlace: Extract<Slot, { kind: 'taps' }>; drawing: Drawing }>()
const path = computed(() => {
  const { x, width, groundM, taps } = props.slotPlace
  const y = props.drawing.scale.y
  const eaves = y(Math.max(...taps.map(tap => tap.baseM)) + 0.55)
  return `M${x - 4} ${y(groundM)} V${eaves} L${x + width / 2} ${eaves - 16} L${x + width + 4} ${eaves} V${y(groundM)}`
})
</script>

<template>
  <path :d="path" aria-hidden="true" />
</template>

<style scoped>
path {
  fill: var(--paper);
  stroke: var(--wall);
  stroke-width: 1.3;
  stroke-linejoin: round;
}
</style>
