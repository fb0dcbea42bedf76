<script setup lang="ts">
import { pathOf } from '~/section/path'
import type { Drawing } from '#core/section'

const props = defineProps<{ drawing: Drawing }>()
const line = computed(() => pathOf(props.drawing.ground))
</script>

<template>
  <g aria-hidden="true">
    <path :d="`${line} V${drawing.heightPx} H0 Z`" class="earth" />
    <path :d="line" class="edge" />
  </g>
</template>

<style scoped>
.earth {
  fill: var(--earth);
}
.edge {
  fill: none;
  stroke: var(--earth-line);
  stroke-width: 1.4;
}
</style>
