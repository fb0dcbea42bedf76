<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { rimM } from '#core/site'
import { aroundM, type Hole } from '#core/build'
import type { Tank } from '#core/kinds'

/** A tank's wall rolled flat, with a rule up its side and its holes where they are drilled. */
const props = defineProps<{ tank: Tank; holes: Hole[] }>()
const { show } = useUnits()
const roundM = computed(() => aroundM(props.tank))
const highM = computed(() => rimM(props.tank) - props.tank.baseM)
/** Drawn so wide; height to the same scale. */
const WIDE = 560
const px = computed(() => WIDE / roundM.value)
const highPx = computed(() => highM.value * px.value)
const ticks = computed(() => {
  const stepM = highM.value > 1.2 ? 0.5 : 0.1
  return Array.from({ length: Math.floor(highM.value / stepM) + 1 }, (_, at) => at * stepM)
})
const y = (heightM: number) => highPx.value - heightM * px.value + 8
</script>

<template>
  <svg
    :viewBox="`-46 -14 ${WIDE + 56} ${highPx + 44}`"
    role="img"
    :aria-label="`The wall of ${tank.name} rolled flat, ${holes.length} holes`"
  >
    <rect x="0" y="8" :width="WIDE" :height="highPx" class="wall" />
    <path
      v-for="ribM in tank.ribsM ?? []"
      :key="`rib ${ribM}`"
      :d="`M0 ${y(ribM)} H${WIDE}`"
      class="rib"
      :stroke-width="0.03 * px"
    />
    <path
      v-for="deg in tank.seamsDeg ?? []"
      :key="`seam ${deg}`"
      :d="`M${(deg / 360) * WIDE} 8 v${highPx}`"
      class="rib"
      :stroke-width="0.03 * px"
    />
    <g v-for="tick in ticks" :key="tick">
      <path :d="`M-6 ${y(tick)} H0`" class="rule" />
      <text x="-9" :y="y(tick) + 4" class="rule">{{ show(tick, 'length') }}</text>
    </g>
    <g v-for="deg in [0, 90, 180, 270]" :key="deg">
      <path :d="`M${(deg / 360) * WIDE} 8 v${highPx}`" class="quarter" />
      <text :x="(deg / 360) * WIDE + 3" :y="highPx + 22" class="rule left">{{ deg }}°</text>
    </g>
    <g v-for="(hole, at) in holes" :key="hole.id" :class="{ faulty: hole.faults.length }">
      <circle :cx="hole.alongM * px" :cy="y(hole.heightM)" :r="Math.max(3, (hole.sawMm / 2000) * px)" />
      <text :x="hole.alongM * px" :y="y(hole.heightM) - Math.max(3, (hole.sawMm / 2000) * px) - 4" class="number">
        {{ at + 1 }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: min(620px, 100%);
  max-height: 300px;
}
.wall {
  fill: var(--sheet);
  stroke: var(--ink);
}
.rib {
  stroke: color-mix(in srgb, var(--soft) 35%, var(--sheet));
}
.quarter {
  stroke: var(--hair);
  stroke-dasharray: 3 4;
}
path.rule {
  stroke: var(--soft);
}
text.rule {
  font: 11px var(--mono);
  fill: var(--soft);
  text-anchor: end;
}
text.left {
  text-anchor: start;
}
circle {
  fill: color-mix(in srgb, var(--oak) 25%, var(--sheet));
  stroke: var(--oak);
  stroke-width: 1.5;
}
.faulty circle {
  stroke: var(--rust);
  stroke-width: 2.5;
}
.number {
  font: 600 12px var(--text);
  fill: var(--ink);
  text-anchor: middle;
}
</style>
