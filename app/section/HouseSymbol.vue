<script setup lang="ts">
import { placed } from '~/section/drawn'
import type { Slot } from '#core/section'

/** The faint outline of the building that a group of taps hangs in. */
const props = defineProps<{ slotPlace: Extract<Slot, { kind: 'taps' }> }>()
const path = placed(({ scale: { y } }) => {
  const { x, width, groundM, taps } = props.slotPlace
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
