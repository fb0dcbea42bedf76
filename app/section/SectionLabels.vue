<script setup lang="ts">
import { useShown } from '~/section/shown'
import type { Label } from '#core/section'

/** The words of the Section, where the drawing found room for them. */
defineProps<{ labels: Label[]; lit: string | undefined }>()
const shown = useShown()
/** A pin says what it reads now, else what it should show; where neither is known it is not drawn. */
function linesOf({ role, of, lines }: Label): string[] {
  if (role !== 'pin') return lines
  const words = shown.value.pins?.[of] ?? lines[0]!.trim()
  return words ? [words] : []
}
</script>

<template>
  <g class="labels" aria-hidden="true">
    <g
      v-for="label in labels"
      :key="`${label.of}-${label.role}`"
      v-memo="[label, label.of === lit, label.role === 'pin' && shown.pins?.[label.of]]"
      :class="[label.role, { lit: label.of === lit }]"
    >
      <template v-if="linesOf(label).length">
        <path v-if="label.leader" :d="`M${label.leader[0].join(' ')} L${label.leader[1].join(' ')}`" />
        <rect
          v-if="label.role === 'pin'"
          :x="label.x"
          :y="label.y - 1"
          :width="label.width"
          :height="label.height + 1"
        />
        <text
          v-for="(line, at) in linesOf(label)"
          :key="at"
          :x="label.x + label.width / 2"
          :y="label.y + 11 + at * 14"
          :class="{ under: at > 0 }"
          >{{ line }}</text
        >
      </template>
    </g>
  </g>
</template>

<style scoped>
.labels {
  pointer-events: none;
}
text {
  font: 600 12px var(--text);
  text-anchor: middle;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--halo, var(--sheet));
  stroke-width: 3px;
  stroke-linejoin: round;
}
.figure text,
.under {
  font: 11px var(--text);
  fill: var(--soft);
}
.pin text {
  font: 600 11px var(--mono);
  stroke: none;
}
rect {
  fill: var(--field);
  stroke: var(--oak);
  stroke-width: 1;
}
.lit text:first-of-type {
  fill: var(--oak);
}
path {
  stroke: var(--soft);
  stroke-width: 0.8;
  fill: none;
}
</style>
