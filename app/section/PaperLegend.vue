<script setup lang="ts">
import PartSymbol from '~/section/PartSymbol.vue'
import { PART_KINDS, type PartKind } from '#core/kinds'
import { isDrawn, type SeenRoute, type Water } from '#core/section'

/** What the lines and marks of a drawing mean, in rows below it. */
const props = defineProps<{ lines: SeenRoute[]; top: number; width: number }>()
const WATERS: Record<Water, string> = {
  roof: 'water from roofs',
  spill: 'first flush and spill',
  well: 'well water',
  main: 'from the main',
  treated: 'treated',
}
const [COLUMN, ROW] = [150, 22]
const columns = computed(() => Math.max(1, Math.floor(props.width / COLUMN)))
const waters = computed(() => {
  const there = new Set(props.lines.flatMap(({ stretches }) => stretches.map(({ water }) => water)))
  return (Object.keys(WATERS) as Water[]).filter(water => there.has(water))
})
const kinds = computed(() => {
  const there = new Set(props.lines.flatMap(({ parts }) => parts.map(({ kind }) => kind)))
  return (Object.keys(PART_KINDS) as PartKind[]).filter(kind => there.has(kind) && isDrawn(kind))
})
const place = (at: number) => ({
  x: 14 + (at % columns.value) * COLUMN,
  y: props.top + 12 + Math.floor(at / columns.value) * ROW,
})
const partAt = (kind: PartKind, at: number) => {
  const { x, y } = place(at)
  return { id: `legend-${kind}`, kind, x: x + 13, y, upright: false, open: true }
}
const path = (at: number) => `M${place(at).x} ${place(at).y} h26`
const rows = computed(() => Math.ceil((waters.value.length + kinds.value.length) / columns.value))
defineExpose({ heightPx: computed(() => rows.value * ROW + 8) })
</script>

<template>
  <g class="legend">
    <template v-for="(water, at) in waters" :key="water">
      <path :d="path(at)" class="line" :class="water" />
      <path v-if="water === 'main' || water === 'treated'" :d="path(at)" class="over" :class="water" />
      <text :x="place(at).x + 34" :y="place(at).y + 4">{{ WATERS[water] }}</text>
    </template>
    <template v-for="(kind, at) in kinds" :key="kind">
      <PartSymbol :part="partAt(kind, waters.length + at)" :selected="false" />
      <text :x="place(waters.length + at).x + 34" :y="place(waters.length + at).y + 4">{{
        PART_KINDS[kind].name
      }}</text>
    </template>
  </g>
</template>

<style scoped>
text {
  font: 12px var(--text);
  fill: var(--ink);
}
path {
  fill: none;
}
.line {
  stroke-width: 3;
}
.roof {
  stroke: var(--line-roof);
}
.spill {
  stroke: var(--line-spill);
  stroke-width: 2.6;
  stroke-dasharray: 2 3.4;
}
.well {
  stroke: var(--line-well);
  stroke-dasharray: 9 4;
}
.line.main {
  stroke: var(--line-main);
  stroke-width: 5;
}
.over.main {
  stroke: var(--sheet);
  stroke-width: 1.6;
}
.treated {
  stroke: var(--line-treated);
}
.over.treated {
  stroke-width: 8;
  stroke-dasharray: 1.4 7;
}
</style>
