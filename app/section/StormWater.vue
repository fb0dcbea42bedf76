<script setup lang="ts">
import { pathOf } from '~/section/path'
import type { StandingWater, StormLine } from '#core/section'

/** Water that stands in wet lines, and the height to which the design storm's water stands along each. */
defineProps<{ standing: StandingWater[]; storms: StormLine[] }>()
</script>

<template>
  <g class="storm" aria-hidden="true">
    <path v-for="(part, at) in standing" :key="`s${at}`" :d="pathOf(part.points)" class="standing" />
    <template v-for="line in storms" :key="line.spoutId">
      <path
        v-for="(part, at) in line.parts"
        :key="at"
        :d="pathOf(part)"
        class="water"
        :class="{ spills: line.spills }"
      />
      <path
        v-if="line.spills && line.parts[0]"
        :d="`M${line.parts[0][0][0] - 9} ${line.parts[0][0][1]} q-7 2 -7 12 M${line.parts[0][0][0] - 4} ${line.parts[0][0][1]} q-5 3 -5 15`"
        class="over"
      />
    </template>
  </g>
</template>

<style scoped>
.storm {
  pointer-events: none;
}
path {
  fill: none;
  stroke-linejoin: round;
}
.standing {
  stroke: var(--water);
  stroke-width: 7;
  stroke-linecap: round;
  opacity: 0.65;
}
.water {
  stroke: var(--water-deep);
  stroke-width: 1.5;
  stroke-dasharray: 7 4;
}
.water.spills {
  stroke: var(--rust);
}
.over {
  stroke: var(--rust);
  stroke-width: 2;
}
</style>
