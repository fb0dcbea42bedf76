<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { cutWords, type Piece } from '#core/build'

/** One piece of pipe: what its fittings take up, what goes into their sockets, and what is left to cut. */
const props = defineProps<{ piece: Piece }>()
const { show, system } = useUnits()
const cut = (metres: number) => cutWords(metres, system.value)
const [LEFT, RIGHT, MIDDLE] = [60, 460, 46]
const fitting = (x: number, towards: 1 | -1, into: string) => {
  const socket = `M${x} ${MIDDLE - 13} h${towards * 26} v26 h${-towards * 26}`
  return into.startsWith('elbow')
    ? `${socket} M${x} ${MIDDLE - 13} v-14 M${x + towards * -16} ${MIDDLE - 13} v-14`
    : socket
}
const stopMm = (at: 0 | 1) => props.piece.ends[at].takesMm - props.piece.ends[at].goesInMm
</script>

<template>
  <svg viewBox="0 0 520 112" role="img" :aria-label="`${piece.label}: cut ${cut(piece.cutM)}`">
    <path :d="`M${LEFT + 14} ${MIDDLE - 7} H${RIGHT - 14} v14 H${LEFT + 14} Z`" class="pipe" />
    <path :d="fitting(LEFT, 1, piece.ends[0].into)" class="fitting" />
    <path :d="fitting(RIGHT, -1, piece.ends[1].into)" class="fitting" />
    <text :x="LEFT" y="14" class="middle">{{ piece.ends[0].words }}</text>
    <text :x="RIGHT" y="14" class="middle">{{ piece.ends[1].words }}</text>
    <text :x="(LEFT + RIGHT) / 2" :y="MIDDLE + 4.5" class="middle">{{ piece.label }} →</text>
    <path :d="`M${LEFT + 14} 70 H${RIGHT - 14} m0 -4 v8 M${LEFT + 14} 66 v8`" class="measure" />
    <text :x="(LEFT + RIGHT) / 2" y="84" class="middle">
      cut {{ cut(piece.cutM) }}: {{ cut(piece.betweenM) }} between
    </text>
    <text :x="(LEFT + RIGHT) / 2" y="101" class="middle small">
      less {{ show(stopMm(0), 'bore') }} and {{ show(stopMm(1), 'bore') }} to the stops;
      {{ show(piece.ends[0].goesInMm, 'bore') }} and {{ show(piece.ends[1].goesInMm, 'bore') }} go in
    </text>
  </svg>
</template>

<style scoped>
svg {
  width: min(560px, 100%);
}
.pipe {
  fill: color-mix(in srgb, var(--water-deep) 30%, var(--sheet));
  stroke: var(--ink);
}
.fitting {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.measure {
  fill: none;
  stroke: var(--oak);
}
text {
  font: 12.5px var(--text);
  fill: var(--ink);
}
.middle {
  text-anchor: middle;
}
.small {
  font-size: 11.5px;
  fill: var(--soft);
}
</style>
